import { freeText, name, object, oneOf, time, type FieldShape } from './shape';

/** A decision and why: whether a donor is bought, or which brakes are used. */
export interface BuilderVerdict<V extends string = string> {
  readonly verdict: V;
  readonly reason: string;
  readonly who: string;
  /** ISO 8601. */
  readonly at: string;
}

/** A decision of the builder’s among these. */
export const verdictShape = <V extends string>(values: readonly V[]): FieldShape<BuilderVerdict<V>> =>
  object<BuilderVerdict<V>>({
    verdict: oneOf(values),
    reason: freeText(300, 3),
    who: name(60),
    at: time,
  });
