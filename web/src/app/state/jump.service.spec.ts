import { stageOf } from './jump.service';

describe('where a place is edited', () => {
  it.each([
    ['survey.left', 'survey'],
    ['donor.half.left', 'donor'],
    ['new.journal', 'donor'],
    ['cut.kerf', 'cut'],
    ['brief.mass', 'brief'],
    ['fact.slip.look', 'donor'],
    ['fact.car.studThread', 'survey'],
    ['joint.bearing', 'donor'],
    ['donor', 'donor'],
  ] as const)('%s is in %s', (place, stage) => {
    expect(stageOf(place)).toBe(stage);
  });

  it('is nowhere for what is no place', () => {
    expect(stageOf('fact.nothing')).toBeUndefined();
    expect(stageOf('elsewhere')).toBeUndefined();
  });
});
