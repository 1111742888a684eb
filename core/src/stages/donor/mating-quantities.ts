import { quantities } from './headings';

const none = { datum: 'none' } as const;
const counted = { unit: 'count', whole: true, instrument: 'count', datum: 'none' } as const;
const hubs = quantities('hubs', { instrument: 'caliper', ...none });
const bearing = quantities('bearing', { instrument: 'caliper', ...none });
const rest = quantities('brakes', { instrument: 'caliper', ...none });

/** What must fit between the donor, the car and what is bought. */
export const DONOR_MATING = [
  hubs('donor.flangeHoles', 'Donor flange studs', 'Studs in the wheel flange.', [3, 10], counted),
  hubs('donor.flangePcd', 'Donor flange PCD', 'Circle through the stud centres.', [80, 260]),
  hubs('donor.flangeHole', 'Donor stud hole', 'Diameter of the hole a stud is pressed into.', [8, 30]),
  hubs('donor.flangeRim', 'Donor flange diameter', 'Outside of the flange.', [90, 320]),
  hubs('donor.pilot', 'Donor pilot', 'The register the wheel sits on.', [40, 220]),
  bearing('donor.journal', 'Bearing journal', 'Where the bearing sits on the donor’s shaft.', [15, 90]),
  bearing(
    'new.journal',
    'Journal of the new shafts',
    'As the shaft maker turns it; empty means as the donor’s.',
    [15, 90],
  ),
  bearing(
    'donor.bearingBore',
    'Bearing bore in the housing',
    'Where the bearing sits in the housing end.',
    [30, 160],
  ),
  bearing('donor.bearingWidth', 'Room for the bearing', 'Depth of the bore, to its shoulder.', [6, 80]),
  bearing('donor.sealJournal', 'Seal journal', 'Where the seal’s lip runs.', [15, 90]),
  bearing('donor.sealBore', 'Seal bore', 'Where the seal is pressed in.', [25, 160]),
  bearing('new.pitch', 'New shafts’ spline pitch', 'As ordered; empty means as the donor’s.', [4, 64], {
    unit: 'count',
    instrument: 'chosen',
  }),
  bearing('new.teeth', 'New shafts’ spline teeth', 'As ordered; empty means as the donor’s.', [6, 80], counted),
  rest('donor.endWide', 'Housing end, holes across', 'Bolt centres across, level.', [30, 250]),
  rest('donor.endHigh', 'Housing end, holes upright', 'Bolt centres, upright.', [20, 250]),
  rest('brake.endWide', 'Brake bracket, holes across', 'Of the brake that is to be used.', [30, 250]),
  rest('brake.endHigh', 'Brake bracket, holes upright', 'Of the brake that is to be used.', [20, 250]),
  rest('brake.bore', 'Brake bracket bore', 'The bore that goes over the bearing or housing end.', [30, 200]),
  rest('donor.pinionBolts', 'Pinion flange bolts', 'Bolts in the pinion’s flange.', [2, 12], counted),
  rest('donor.pinionPcd', 'Pinion flange PCD', 'Circle through its bolt centres.', [40, 200]),
  rest('donor.pinionPilot', 'Pinion flange pilot', 'The register that centres the driveshaft.', [20, 150]),
];
