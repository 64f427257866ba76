import request from 'supertest';
import { newStation, openTestServer, ORIGIN, type TestServer, type Visitor, write } from '../test/testServer';
import { randomUUID } from 'node:crypto';
import express from 'express';
import { cookieName } from '../session/cookie';
import pino from 'pino';
import { errorHandler } from './errorHandler';
import { ownHost } from './origin';

let server: TestServer;
let visitor: Visitor;
let guideId: string;
beforeAll(async () => {
  server = await openTestServer();
  ({ visitor, guideId } = await newStation(server));
});
afterAll(() => server.close());

describe('what changes anything', () => {
  const put = (origin: string) => visitor.put(`/api/specimens/${randomUUID()}`).set('origin', origin).send(write(guideId));

  it('comes from the application’s own pages', async () => {
    await put(ORIGIN).expect(200);
  });

  it.each([
    'http://elsewhere.test',
    'https://plesion.test',
    'http://plesion.test.elsewhere.test',
    'http://plesion.test:81',
    'null',
    '',
  ])('does not come from “%s”', async (origin) => {
    const { body } = await put(origin).expect(403);
    expect(body).toMatchObject({ code: 'foreign-origin', message: expect.stringMatching(/nothing was done/) });
  });

  it('does not come from nowhere, with a session or without', async () => {
    await request(server.app).post('/api/session').send({ name: 'a', password: 'b' }).expect(403);
    await request(server.app).delete('/api/session').expect(403);
  });

  it('may be asked for by anybody where it changes nothing', async () => {
    await visitor.get('/api/specimens').set('origin', 'http://elsewhere.test').expect(200);
  });

  it('comes from the address it was opened at, where that is not the public one', async () => {
    const agent = request.agent(server.app);
    const answer = await agent
      .post('/api/session')
      .set('host', 'localhost:4180')
      .set('origin', 'http://localhost:4180')
      .send({ name: 'nobody', password: 'x' });
    expect(answer.status).toBe(401);
  });
});

describe('the name of the server', () => {
  const answering = (publicUrl?: string) =>
    express()
      .use(ownHost(publicUrl))
      .get('/', (_request, response) => void response.send('here'))
      .use(errorHandler(pino({ level: 'silent' })));

  it.each([
    ['localhost:4180', undefined, 200],
    ['127.0.0.1', undefined, 200],
    ['[::1]:4180', undefined, 200],
    ['192.168.1.7:4180', undefined, 200],
    ['elsewhere.test', undefined, 421],
    ['localhost.elsewhere.test', undefined, 421],
    ['station.test', 'https://station.test', 200],
    ['STATION.test', 'https://station.test', 200],
    ['station.test.elsewhere.test', 'https://station.test', 421],
    ['sta tion', undefined, 421],
  ])('“%s”, set up for %s, gives %i', async (host, publicUrl, status) => {
    await request(answering(publicUrl)).get('/').set('host', host).expect(status);
  });
});

describe('the cookie', () => {
  it('is bound to its host and to TLS where there is TLS', () => {
    expect([cookieName(true), cookieName(false)]).toEqual(['__Host-plesion', 'plesion.session']);
  });
});
