import { unknownCheck, type Check } from '../../../stage';
import type { JointResult } from './mating-stage';

/**
 * A joint that does not fit is a stop, one with work is no check. One that is not known stays unknown: a question whose
 * owner is named waits for them, one that was begun and belongs to nobody is a caution.
 */
export function matingChecks(joints: readonly JointResult[]): Check[] {
  return joints.flatMap((joint) => {
    const { id, label, verdict, computed, faces, note } = joint;
    if (verdict === 'fits' || verdict === 'work') return [];
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
    const known = faces.filter((f) => f.text !== '').map((f) => `${f.of} ${f.text}`);
    return [
      {
        id: `joint.${id}`,
        stage: 'donor' as const,
        level: verdict === 'no' ? ('stop' as const) : ('caution' as const),
        title: verdict === 'no' ? `${label}: does not fit` : `${label}: an open question`,
        reason: `${known.join(', ')}; ${note.reason || computed.why}.`,
        todo:
          verdict === 'no'
            ? 'Find what joins them before anything is ordered, or leave this donor.'
            : 'Find it out, or name who does.',
        at: `joint.${id}`,
      },
    ];
  });
}
