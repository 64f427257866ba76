import { applyEdit, type Change, takeMatrix, type Working } from '@plesion/core/authoring';

/** Make changes on a draft that were made once already, in their order. */
export function makeAll(working: Working, changes: readonly Change[]): void {
  for (const change of changes) {
    if (change.do === 'matrix') takeMatrix(working, change);
    else applyEdit(working, change);
  }
}
