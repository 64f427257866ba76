import { Draft } from '@plesion/core/authoring/schema';
import { goalOf, PARTS } from './goals';

const problem = (field?: string, more: object = {}) => ({ code: 'wanted', message: 'It wants something.', field, ...more });

it('every section of a guide that somebody writes is mended in a part of the editor', () => {
  const goals = Object.keys(Draft.shape).map((section) => [section, goalOf(problem(`${section}[0].label`))] as const);
  expect(goals.flatMap(([section, goal]) => (goal ? [] : [section]))).toEqual([
    ...['format', 'formatVersion', 'id', 'blocks', 'learned', 'origin', 'settings'],
  ]);
  for (const [, goal] of goals) if (goal) expect(PARTS).toHaveProperty(goal.part);
});

it('a cell is gone to by its taxon and its character', () => {
  expect(goalOf(problem('scores[3].value', { taxon: 'alba', character: 'head' }))).toEqual({
    ...{ part: 'scores', taxon: 'alba', character: 'head' },
  });
});

it('what no part has is not gone to', () => {
  for (const field of [undefined, '', 'constructor', 'formatVersion', 'nonsense.of[3]'])
    expect(goalOf(problem(field))).toBeUndefined();
});
