import { TestBed } from '@angular/core/testing';
import { JumpService } from '../state/jump.service';
import { Bench, donorPlan } from '../testing/bench';
import { NextStepLine } from './next-step';

describe('the next step', () => {
  it('names one reading with what needs it, and goes there', async () => {
    const bench = await Bench.of(NextStepLine, { ...donorPlan(), readings: {} }, { stage: 'cut' });
    expect(bench.text).toContain('Next:');
    expect(bench.text).toMatch(/Read pinion axis to WMS, left\. ?“The cut” needs it, and \d+ more\./);
    const to = vi.spyOn(TestBed.inject(JumpService), 'to').mockResolvedValue();
    await bench.click('Go there');
    expect(to).toHaveBeenCalledWith('donor.half.left', 'donor');
  });
});
