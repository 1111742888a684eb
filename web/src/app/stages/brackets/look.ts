import type { HeadingId } from '@intervex/core';
import { rearView, leftMap, rightMap, sideViews, topView } from '@intervex/core/views/brackets';
import type { StageLook } from '../../stage/look';
import { BracketList } from './bracket-list';
import { CardDesk } from './card-desk';
import { KitRows } from './kit-rows';
import { LinksDesk } from './links-desk';
import { moveBracket } from './move';
import { OrderDesk } from './order-desk';
import { SpringsDesk } from './springs-desk';
import { TemplatesDesk } from './templates-desk';

const NO_AXLE =
  'The donor’s casting faces, tubes and outside, and the width wanted have to be known; then the tubes are drawn here.';

/** From the map of both tubes to the order in which all is welded. */
export const look: StageLook<HeadingId<'brackets'>> = {
  tabsLabel: 'Bracket views',
  tabs: [
    {
      id: 'map',
      name: 'Map',
      subtitle: 'both tubes unrolled, and all that stands on them',
      view: ({ of }) => [of(leftMap), of(rightMap)],
      move: moveBracket,
      empty: NO_AXLE,
      desk: [BracketList],
      places: ['bracket.list'],
      panel: [
        { group: 'old', title: 'Old axle' },
        {
          title: 'Fittings',
          choices: [
            {
              of: 'fittingThread',
              label: 'Thread of a moved one',
              names: {
                unsaid: 'not said',
                g18: 'G 1/8',
                g14: 'G 1/4',
                n18: '1/8-27 NPT, taper',
                n14: '1/4-18 NPT, taper',
                m10: 'M10 × 1',
                m12: 'M12 × 1.5',
                m16: 'M16 × 1.5',
              },
            },
          ],
        },
        {
          title: 'From the survey',
          readings: ['survey.pinion', 'spring.spacing', 'angle.flat', 'angle.perch.left', 'angle.perch.right'],
        },
        { part: KitRows },
      ],
    },
    {
      id: 'views',
      name: 'Views',
      subtitle: 'from behind, above and the side',
      view: ({ of }) => [of(rearView), of(topView), of(sideViews)],
      stacked: true,
      tall: true,
      empty: NO_AXLE,
      desk: [BracketList],
      panel: [{ group: 'old', title: 'Old axle' }],
    },
    {
      id: 'springs',
      name: 'Springs',
      subtitle: 'perches, flip, U-bolts and plates',
      desk: [SpringsDesk],
      groups: ['perch', 'clamp'],
      panel: [
        {
          title: 'Springs and U-bolts',
          choices: [
            {
              of: 'springsNow',
              label: 'Springs by now',
              names: { under: 'under the axle', over: 'on top of the axle' },
            },
            {
              of: 'springsWanted',
              label: 'As wanted',
              names: { under: 'under the axle', over: 'on top of the axle' },
            },
            { of: 'boltBend', label: 'U-bolts', names: { round: 'round bend', square: 'square bend' } },
          ],
        },
        { group: 'perch' },
        { group: 'clamp' },
      ],
    },
    {
      id: 'links',
      name: 'Links',
      subtitle: 'links, bolts and what they bear',
      desk: [LinksDesk],
      groups: ['links'],
      places: ['link.list', 'joint.list'],
      panel: [
        { group: 'links' },
        {
          title: 'From the brief',
          readings: ['brief.front', 'brief.rear', 'brief.wheelbase', 'brief.cgHeight', 'brief.friction'],
        },
      ],
    },
    { id: 'card', name: 'Card', subtitle: 'one bracket at a time, with the gauge', desk: [CardDesk] },
    {
      id: 'order',
      name: 'Weld order',
      subtitle: 'tack, try, cycle, weld',
      desk: [OrderDesk],
      panel: [
        {
          title: 'Perches',
          choices: [
            {
              of: 'perchesWelded',
              label: 'Perches are welded',
              names: { first: 'before the others', last: 'after all others' },
            },
          ],
        },
        { title: 'Dampers held at', readings: ['shock.length.left', 'shock.length.right'] },
      ],
    },
    {
      id: 'templates',
      name: 'Templates',
      subtitle: 'full size, on paper or for a cutter',
      desk: [TemplatesDesk],
    },
  ],
};
