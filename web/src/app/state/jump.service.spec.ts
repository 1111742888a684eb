import { TestBed } from '@angular/core/testing';
import { provideHttpClient } from '@angular/common/http';
import { provideHttpClientTesting } from '@angular/common/http/testing';
import { provideRouter, Router } from '@angular/router';
import { donorPlan, variantView, VARIANT } from '../testing/bench';
import { JumpService } from './jump.service';
import { PlanStore } from './plan-store';
import { SelectionService } from './selection.service';
import { HttpTestingController } from '@angular/common/http/testing';

describe('a jump', () => {
  const gone: unknown[][] = [];

  beforeEach(async () => {
    gone.length = 0;
    TestBed.configureTestingModule({
      providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
    });
    const store = TestBed.inject(PlanStore);
    const opened = store.open(VARIANT);
    await Promise.resolve();
    TestBed.inject(HttpTestingController).expectOne(`/api/variants/${VARIANT}`).flush(variantView(donorPlan()));
    await opened;
    vi.spyOn(TestBed.inject(Router), 'navigate').mockImplementation((commands) => {
      gone.push([...commands]);
      return Promise.resolve(true);
    });
  });

  const to = async (place: string, otherwise?: string) => {
    await TestBed.inject(JumpService).to(place, otherwise);
    await new Promise((done) => setTimeout(done));
    return TestBed.inject(SelectionService).wanted();
  };

  it.each([
    ['survey.left', 'survey'],
    ['fact.car.studThread', 'survey'],
    ['joint.bearing', 'donor'],
    ['pattern.wheel', 'hubs'],
  ])('to %s opens %s and asks for it there', async (place, stage) => {
    expect(await to(place)).toBe(place);
    expect(gone).toEqual([['/plan', VARIANT, stage]]);
  });

  it('to what is no place goes where it is told, else stays', async () => {
    await to('elsewhere', 'cut');
    expect(gone).toEqual([['/plan', VARIANT, 'cut']]);
    await to('elsewhere');
    expect(gone).toHaveLength(1);
  });
});
