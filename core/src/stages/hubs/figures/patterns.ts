import { stockTaken, using } from '../../shafts/figures/in-use';
import { node } from '../node';
import { patternStage } from '../pattern-stage';
import { threadOf } from '../stud-stage';

/** Patterns of flange, wheel and rotor, and whether one can be drilled to the other. */
export const patterns = node('patterns', (r) => {
  const use = using(r);
  const thread = r.of(stockTaken) ? '' : (r.fact('donor.studThread')?.value ?? '');
  return patternStage({
    patterns: r.part('patterns'),
    keepOuts: r.part('keepOuts'),
    jig: r.choice('jig'),
    limits: {
      agree: r.limit('pattern.agree').value,
      ligament: r.limit('pattern.ligament').value,
      ligamentShare: r.limit('pattern.ligamentShare').value,
      edgeShare: r.limit('pattern.rim').value,
    },
    figures: use,
    stud: threadOf(thread)?.diameter,
  });
});
