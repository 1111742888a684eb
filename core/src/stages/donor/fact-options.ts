type Options = Readonly<Record<string, string>>;

export const STUD_THREADS: Options = {
  'M12x1.25': 'M12 × 1.25',
  'M12x1.5': 'M12 × 1.5',
  'M14x1.5': 'M14 × 1.5',
  M14x2: 'M14 × 2',
  'M16x1.5': 'M16 × 1.5',
  '3/8-24': '3/8-24 UNF',
  '7/16-20': '7/16-20 UNF',
  '1/2-20': '1/2-20 UNF',
  '9/16-18': '9/16-18 UNF',
  '5/8-18': '5/8-18 UNF',
};
export const HOSE_THREADS: Options = {
  M10x1: 'M10 × 1',
  'M10x1.25': 'M10 × 1.25',
  M12x1: 'M12 × 1',
  '3/8-24': '3/8-24 UNF',
  '7/16-24': '7/16-24 UNF',
  '1/8-27 NPT': '1/8-27 NPT, taper',
  '1/4-18 NPT': '1/4-18 NPT, taper',
};
export const PARKING: Options = {
  drum: 'lever in a drum',
  hat: 'drum in the rotor’s hat',
  caliper: 'lever on the caliper',
  none: 'none',
};
export const SENSORS: Options = {
  none: 'none',
  cable: 'cable drive',
  coil: 'two-wire coil',
  hall: 'three-wire Hall',
};
export const STUD_CLASSES: Options = {
  '8.8': 'class 8.8',
  '10.9': 'class 10.9',
  '12.9': 'class 12.9',
  grade5: 'grade 5',
  grade8: 'grade 8',
};
export const SEATS: Options = { cone: 'cone', ball: 'ball', flat: 'flat' };
