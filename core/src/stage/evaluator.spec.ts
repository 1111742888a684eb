import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Source } from './cells';
import { answer, asks } from './asked';
import { CircleError, nodeEvaluator, NodeError } from './evaluator';
import type { Node } from './node';

/** Reads as a node of these tests does. */
interface Reader {
  readonly figure: (id: string) => unknown;
  readonly of: <T>(node: Node<T>) => T;
}

const node = <T>(name: string, run: (r: Reader) => T): Node<T> => ({ name, run }) as unknown as Node<T>;

type Values = Readonly<Record<string, number>>;

/** A source of plain numbers; with what was touched since the last one, where that is said. */
const sourceOf = (values: Values, touched?: readonly string[]): Source => ({
  look: (kind, key) => (kind === 'figure' ? values[key] : undefined),
  root: (kind) => (kind === 'figure' ? values : undefined),
  ...(touched ? { moved: () => touched } : {}),
});

const a = node('a', (r) => Number(r.figure('x')) + Number(r.figure('y')));
/** Says the same for many sums. */
const sign = node('sign', (r) => Math.sign(r.of(a)));
const told = node('told', (r) => `${r.of(sign)} ${String(r.figure('z'))}`);

describe('an evaluator of nodes', () => {
  it('runs a node again only where what it read is another value', () => {
    const evaluate = nodeEvaluator();
    const runs = () => evaluate.runs();
    expect(evaluate(sourceOf({ x: 2, y: 5, z: 9 })).of(told)).toBe('1 9');
    expect(runs()).toEqual({ a: 1, sign: 1, told: 1 });
    // Nothing that is read moved.
    expect(evaluate(sourceOf({ x: 2, y: 5, z: 9, w: 4 })).of(told)).toBe('1 9');
    expect(runs()).toEqual({ a: 1, sign: 1, told: 1 });
    // The sum moves; its sign does not, and what stands on the sign is left alone.
    expect(evaluate(sourceOf({ x: 3, y: 5, z: 9 })).of(told)).toBe('1 9');
    expect(runs()).toEqual({ a: 2, sign: 2, told: 1 });
    expect(evaluate(sourceOf({ x: 3, y: 5, z: 8 })).of(told)).toBe('1 8');
    expect(runs()).toEqual({ a: 2, sign: 2, told: 2 });
  });

  it('sees what moved while a node was not asked for, there and back', () => {
    const evaluate = nodeEvaluator();
    evaluate(sourceOf({ x: 2, y: 5, z: 1 })).of(told);
    evaluate(sourceOf({ x: -20, y: 5, z: 1 })).of(a);
    evaluate(sourceOf({ x: -20, y: 5, z: 1 }));
    expect(evaluate(sourceOf({ x: -20, y: 5, z: 1 })).of(told)).toBe('-1 1');
    evaluate(sourceOf({ x: 2, y: 5, z: 1 }));
    expect(evaluate(sourceOf({ x: -20, y: 5, z: 1 })).of(told)).toBe('-1 1');
  });

  it('follows a node that reads other things than before', () => {
    const either = node('either', (r) => (Number(r.figure('x')) > 0 ? r.figure('y') : r.figure('z')));
    const above = node('above', (r) => [r.of(either)]);
    const evaluate = nodeEvaluator();
    expect(evaluate(sourceOf({ x: 1, y: 5, z: 7 })).of(above)).toEqual([5]);
    expect(evaluate(sourceOf({ x: -1, y: 5, z: 7 })).of(above)).toEqual([7]);
    expect(evaluate(sourceOf({ x: -1, y: 5, z: 8 })).of(above)).toEqual([8]);
    expect(evaluate(sourceOf({ x: -1, y: 6, z: 8 })).of(above)).toEqual([8]);
  });

  it('keeps the object that was given where the new one says the same', () => {
    const pair = node('pair', (r) => ({ sign: r.of(sign), odd: Number(r.figure('z')) % 2 }));
    const evaluate = nodeEvaluator();
    const before = evaluate(sourceOf({ x: 2, y: 5, z: 1 })).of(pair);
    expect(evaluate(sourceOf({ x: 2, y: 5, z: 3 })).of(pair)).toBe(before);
    expect(evaluate(sourceOf({ x: 2, y: 5, z: 4 })).of(pair)).toEqual({ sign: 1, odd: 0 });
  });

  it('answers an earlier evaluation from its own source', () => {
    const evaluate = nodeEvaluator();
    const first = evaluate(sourceOf({ x: 2, y: 5, z: 1 }));
    first.of(sign);
    const second = evaluate(sourceOf({ x: 2, y: -50, z: 1 }));
    expect(second.of(a)).toBe(-48);
    expect(first.of(sign)).toBe(1);
    expect(first.of(a)).toBe(7);
    expect([...first.given()]).toEqual([7, 1]);
    expect([...second.given()]).toEqual([-48]);
  });

  it('gives all that was asked for, each after what it reads, whether it ran or not', () => {
    const evaluate = nodeEvaluator();
    const given = (values: Values) => {
      const now = evaluate(sourceOf(values));
      now.of(told);
      return [...now.given()];
    };
    expect(given({ x: 2, y: 5, z: 1 })).toEqual([7, 1, '1 1']);
    expect(given({ x: 2, y: 5, z: 1 })).toEqual([7, 1, '1 1']);
    expect(given({ x: 3, y: 5, z: 1 })).toEqual([8, 1, '1 1']);
  });

  it('names the nodes that go round in a circle', () => {
    const round: Node<unknown>[] = [];
    const one = node('one', (r) => r.of(round[0] as Node<unknown>));
    const two = node('two', (r) => r.of(one));
    const three = node('three', (r) => r.of(two));
    round.push(two);
    expect(() => nodeEvaluator()(sourceOf({})).of(three)).toThrow(CircleError);
    expect(() => nodeEvaluator()(sourceOf({})).of(three)).toThrow('two → one → two');
  });

  it('names the node that failed, and tries it again', () => {
    const root = node('root', (r) => {
      const x = Number(r.figure('x'));
      if (x < 0) throw new RangeError('There is no root of less than nothing.');
      return Math.sqrt(x);
    });
    const above = node('above', (r) => r.of(root) + 1);
    const evaluate = nodeEvaluator();
    expect(evaluate(sourceOf({ x: 9 })).of(above)).toBe(4);
    expect(() => evaluate(sourceOf({ x: -9 })).of(above)).toThrow(NodeError);
    expect(() => evaluate(sourceOf({ x: -9 })).of(above)).toThrow('root failed: There is no root');
    expect(evaluate(sourceOf({ x: 16 })).of(above)).toBe(5);
  });

  it('takes a key alone, whatever `some` and `every` hand to it', () => {
    const all = node('all', (r) => ['x', 'y'].every(r.figure));
    const evaluate = nodeEvaluator();
    expect(evaluate(sourceOf({ x: 1, y: 0 }, ['x', 'y'])).of(all)).toBe(false);
    expect(evaluate(sourceOf({ x: 1, y: 4 }, ['y'])).of(all)).toBe(true);
    expect(evaluate(sourceOf({ x: 0, y: 4 }, ['x'])).of(all)).toBe(false);
  });

  it('gives what a new one gives, after any chain of edits of which only the touched keys are told', () => {
    const value = fc.integer({ min: -3, max: 3 });
    const edit = fc.record({ key: fc.constantFrom('x', 'y', 'z'), value, ask: fc.constantFrom(a, sign, told) });
    fc.assert(
      fc.property(fc.record({ x: value, y: value, z: value }), fc.array(edit), (start, edits) => {
        const evaluate = nodeEvaluator();
        let values: Values = start;
        evaluate(sourceOf(values)).of(told);
        for (const { key, value: to, ask } of edits) {
          values = { ...values, [key]: to };
          expect(evaluate(sourceOf(values, [key])).of(ask as Node<unknown>)).toEqual(
            nodeEvaluator()(sourceOf(values)).of(ask as Node<unknown>),
          );
        }
      }),
    );
  });
});

describe('a question that a later stage answers', () => {
  const room = asks<number>('early.room');
  const wide = node('early.wide', (r) => (r.of(room) ?? 100) + Number(r.figure('x')));
  const late = node('late.room', (r) => Number(r.figure('y')) * 2);

  it('is nothing while nobody answers, and the answer once somebody does', () => {
    expect(nodeEvaluator()(sourceOf({ x: 1, y: 4 })).of(wide)).toBe(101);
    expect(nodeEvaluator([answer(room, late)])(sourceOf({ x: 1, y: 4 })).of(wide)).toBe(9);
  });

  it('runs whoever asked again only where the answer is another', () => {
    const evaluate = nodeEvaluator([answer(room, late)]);
    expect(evaluate(sourceOf({ x: 1, y: 4, z: 0 })).of(wide)).toBe(9);
    expect(evaluate(sourceOf({ x: 1, y: 4, z: 7 })).of(wide)).toBe(9);
    expect(evaluate.runs()['early.wide']).toBe(1);
    expect(evaluate(sourceOf({ x: 1, y: 5, z: 7 })).of(wide)).toBe(11);
    expect(evaluate.runs()['early.wide']).toBe(2);
  });

  it('stays answered for whoever asks of an earlier evaluation', () => {
    const evaluate = nodeEvaluator([answer(room, late)]);
    const first = evaluate(sourceOf({ x: 1, y: 4 }));
    evaluate(sourceOf({ x: 1, y: 9 }));
    expect(first.of(wide)).toBe(9);
  });

  it('that goes round in a circle names who is in it', () => {
    const round = node('late.round', (r) => r.of(wide));
    expect(() => nodeEvaluator([answer(room, round)])(sourceOf({ x: 1 })).of(wide)).toThrow(
      'These read each other: early.wide → early.room → late.round → early.wide.',
    );
  });
});
