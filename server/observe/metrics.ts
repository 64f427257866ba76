import { createServer, type Server } from 'node:http';
import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';

/** Seconds up to which answers are counted together. */
const BUCKETS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 30];

/** What is measured of the server, for Prometheus; of people and their records nothing. */
export function openMetrics(waiting: () => number) {
  const registry = new Registry();
  collectDefaultMetrics({ register: registry });
  const answered = new Histogram({
    name: 'plesion_answer_seconds',
    help: 'Seconds until a request was answered, by endpoint and status.',
    labelNames: ['endpoint', 'status'] as const,
    buckets: BUCKETS,
    registers: [registry],
  });
  new Gauge({
    name: 'plesion_analysis_waiting',
    help: 'Weighings, comparisons, walks and keys that wait for a thread.',
    registers: [registry],
    collect() {
      this.set(waiting());
    },
  });
  /** By the endpoint's path as it is written in the contract: ids would make a series of each record. */
  const measure: RequestHandler = (request, response, next) => {
    const end = answered.startTimer();
    response.on('finish', () => {
      const path = (request.route as { path?: string } | undefined)?.path ?? 'none';
      end({ endpoint: `${request.method} ${path}`, status: String(response.statusCode) });
    });
    next();
  };
  return {
    measure,
    text: () => registry.metrics(),
    /** Served on a port of their own, which nobody outside need reach. */
    listen: (port: number, host: string): Server =>
      createServer((_request, response) => {
        registry.metrics().then(
          (text) => response.setHeader('content-type', registry.contentType).end(text),
          () => response.writeHead(500).end(),
        );
      }).listen(port, host),
  };
}

export type Metrics = ReturnType<typeof openMetrics>;
