import { RequestProblem } from '@plesion/contract';
import type { Path, UseFormSetError } from 'react-hook-form';

/** Put what the server refused at the field it names, or at the form where it names none of these. */
export function showProblem<T extends object>(error: unknown, fields: Path<T>[], setError: UseFormSetError<T>): void {
  if (!(error instanceof RequestProblem)) throw error;
  const field = fields.find((name) => name === error.body.field);
  setError(field ?? 'root', { message: error.message });
}
