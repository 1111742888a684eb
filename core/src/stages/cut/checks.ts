import { bySide } from '../../geometry';
import { cutChecks } from './cut-checks';
import { ends } from './figures/ends';
import { marks } from './figures/marks';
import { school } from './figures/schools';
import { learned, perch, square, stand } from './figures/stand';
import { float, tubes } from './figures/tubes';
import { node } from './node';
import { toolChecks } from './tool-checks';
import { tubeChecks } from './tube-checks';

export const tools = node('tools', (r) =>
  toolChecks({
    brief: { tools: r.field('brief', 'tools'), skills: r.field('brief', 'skills') },
    choices: {
      method: r.choice('method'),
      retention: r.choice('retention'),
      retentionTo: r.choice('retentionTo'),
      shaftRoute: r.choice('shaftRoute'),
    },
    school: r.of(school),
  }),
);

export const cuts = node('cuts', (r) =>
  cutChecks(
    {
      plan: r.of(school),
      marks: r.of(marks),
      square: r.of(square),
      method: r.choice('method'),
      targetWidth: r.figure('brief.targetWidth'),
      tube: bySide((side) => r.figure(`donor.tube.${side}`)),
      ends: r.of(ends),
      stand: r.of(stand),
      learned: r.of(learned),
      perch: r.of(perch),
      faces: r.figure,
    },
    r.limit,
  ),
);

export const tubeWork = node('tubeWork', (r) =>
  tubeChecks(
    {
      method: r.choice('method'),
      to: r.choice('retentionTo'),
      tubes: r.of(tubes),
      float: r.of(float),
      marks: r.of(marks),
      items: r.part('tubeItems'),
      shortened: bySide((side) => r.of(school)?.work[side] === 'shorten'),
    },
    r.limit,
  ),
);
