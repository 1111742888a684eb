import { unknownCheck, type Check, judgeFact } from '../../../stage';
import type { JointResult } from './mating-stage';

/**
 * A joint that fits, as it is or with work, is in order; one that does not fit is a stop. One that is not known stays unknown: a question whose
 * owner is named waits for them, one that was begun and belongs to nobody is a caution.
 */
export function matingChecks(joints: readonly JointResult[]): Check[] {
  return joints.flatMap((joint) => {
    const { id, label, verdict, computed, faces, note } = joint;
    if (verdict === 'fits' || verdict === 'work') return [joined(joint)];
    const touched = faces.some((f) => f.text !== '');
    if (verdict === 'unknown' && (!touched || note.owner))
      return [
        unknownCheck({
          id: `joint.${id}`,
          stage: 'donor',
          unknown: `${label}: not known yet${note.owner ? `, ${note.owner} finds out` : ''}`,
          reason: `${computed.why.charAt(0).toUpperCase()}${computed.why.slice(1)}.`,
          at: `joint.${id}`,
          lacks: [...new Set(faces.flatMap((f) => (f.text === '' ? f.from : [])))],
        }),
      ];
    return [
      {
        id: `joint.${id}`,
        stage: 'donor' as const,
        level: verdict === 'no' ? ('stop' as const) : ('caution' as const),
        title: verdict === 'no' ? `${label}: does not fit` : `${label}: an open question`,
        reason: reasonOf(joint),
        todo:
          verdict === 'no'
            ? 'Find what joins them before anything is ordered, or leave this donor.'
            : 'Find it out, or name who does.',
        at: `joint.${id}`,
      },
    ];
  });
}

/** What both faces are, as far as it is known, and why the verdict is what it is. */
function reasonOf({ faces, note, computed }: JointResult): string {
  const known = faces.filter((f) => f.text !== '').map((f) => `${f.of} ${f.text}`);
  return `${known.join(', ')}; ${note.reason || computed.why}.`;
}

const joined = (joint: JointResult): Check =>
  judgeFact({
    id: `joint.${joint.id}`,
    stage: 'donor',
    rests: joint.note.verdict
      ? { [`joint.${joint.id}`]: joint.note.verdict }
      : Object.fromEntries(joint.faces.map((f, i) => [f.from[0] ?? `joint.${joint.id}.${i}`, f.text])),
    holds: `${joint.label}: fits${joint.verdict === 'work' ? ' with work' : ''}`,
    unknown: `${joint.label}: not known yet`,
    reason: reasonOf(joint),
    at: `joint.${joint.id}`,
    lacks: joint.faces.flatMap((f) => (f.text === '' ? f.from : [])),
  });
