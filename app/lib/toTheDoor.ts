import { RequestProblem } from '@plesion/contract';
import type { QueryClient } from '@tanstack/react-query';

/** Whoever was signed out meanwhile is shown the door, whatever they asked for. */
export function toTheDoor(client: QueryClient, error: unknown): void {
  if (error instanceof RequestProblem && error.body.code === 'signed-out')
    void client.invalidateQueries({ queryKey: ['session'] });
}
