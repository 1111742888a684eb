import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { EMPTY_PLAN } from '@intervex/core';
import { registerIcons } from '../shared/icons';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';
import { ReadingField } from './reading-field';

let fixture: ComponentFixture<ReadingField>;
let store: PlanStore;
const element = () => fixture.nativeElement as HTMLElement;
const inputs = () => [...element().querySelectorAll('input')];

async function type(text: string, at = 0): Promise<void> {
  const input = inputs()[at];
  if (!input) throw new Error('no field');
  input.value = text;
  input.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}

beforeEach(async () => {
  localStorage.clear();
  TestBed.configureTestingModule({
    imports: [ReadingField],
    providers: [provideHttpClient(), provideHttpClientTesting()],
  });
  // What it fetches later is known to it only then.
  await TestBed.compileComponents();
  TestBed.runInInjectionContext(registerIcons);
  store = TestBed.inject(PlanStore);
  store.show(EMPTY_PLAN);
  TestBed.inject(UnitsService).choose('mm');
  fixture = TestBed.createComponent(ReadingField);
  fixture.componentRef.setInput('id', 'donor.brakeSpace.left');
  await fixture.whenStable();
});
afterEach(() => {
  TestBed.inject(HttpTestingController).verify();
});

describe('reading field', () => {
  it('takes a fraction as inches and keeps what was typed beside the value', async () => {
    await type('3 1/16');
    expect(store.plan().readings['donor.brakeSpace.left']).toEqual({
      repeats: [{ value: 77.7875, typed: '3 1/16', who: 'bench', at: expect.any(String) }],
      instrument: 'caliper',
      datum: 'housing-end face',
    });
  });

  it('keeps what was typed where focus goes, comes and goes again before anything is drawn', async () => {
    const input = inputs()[0];
    if (!input) throw new Error('no field');
    input.dispatchEvent(new Event('focus'));
    input.value = '76.3';
    input.dispatchEvent(new Event('input'));
    for (const kind of ['blur', 'focus', 'blur']) input.dispatchEvent(new Event(kind));
    await fixture.whenStable();
    expect(store.plan().readings['donor.brakeSpace.left']?.repeats[0]?.value).toBe(76.3);
    // Emptied by hand it goes all the same.
    input.dispatchEvent(new Event('focus'));
    input.value = '';
    input.dispatchEvent(new Event('input'));
    input.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(store.plan()).toEqual(EMPTY_PLAN);
  });

  it('refuses text at the field, says why, keeps it, and leaves the plan alone', async () => {
    await type('76,0,2');
    expect(element().querySelector('[role=alert]')?.textContent).toContain('76,0,2');
    expect(inputs()[0]?.value).toBe('76,0,2');
    expect(inputs()[0]?.getAttribute('aria-invalid')).toBe('true');
    expect(store.plan()).toBe(EMPTY_PLAN);
    await type('900');
    expect(element().querySelector('[role=alert]')?.textContent).toContain('between 0.0 mm and 250.0 mm');
  });

  it('shows repeats with their mean, and asks for another where they disagree', async () => {
    store.setReading('donor.brakeSpace.left', {
      repeats: [{ value: 76.02 }, { value: 75.4 }],
      instrument: 'caliper',
    });
    await fixture.whenStable();
    expect(inputs()).toHaveLength(2);
    expect(element().querySelector('.mean')?.textContent?.trim()).toBe('75.71 mm');
    expect(element().textContent).toContain('2 readings disagree: take another');
  });

  it('follows the unit of lengths', async () => {
    await type('77.7875');
    inputs()[0]?.dispatchEvent(new Event('blur'));
    TestBed.inject(UnitsService).choose('frac32');
    await fixture.whenStable();
    // Off a caliper it is a decimal; off a tape it would be 3 1/16.
    expect(inputs()[0]?.value).toBe('3.063');
    store.setReading('donor.brakeSpace.left', { repeats: [{ value: 78.58125 }], instrument: 'tape' });
    await fixture.whenStable();
    expect(inputs()[0]?.value).toBe('3 3⁄32');
  });

  it('takes the reading out when the field is left empty', async () => {
    await type('76.1');
    await type('');
    expect(store.plan().readings['donor.brakeSpace.left']).toBeDefined();
    inputs()[0]?.dispatchEvent(new Event('blur'));
    expect(store.plan().readings['donor.brakeSpace.left']).toBeUndefined();
  });

  it('stores nothing for another reading before it is read', async () => {
    document.body.append(element());
    await type('76.1');
    inputs()[0]?.focus();
    await fixture.whenStable();
    const again = [...element().querySelectorAll('button')].find((b) =>
      b.textContent?.includes('Read it again'),
    );
    again?.click();
    await fixture.whenStable();
    expect(inputs()).toHaveLength(2);
    expect(document.activeElement).toBe(inputs()[1]);
    expect(store.plan().readings['donor.brakeSpace.left']?.repeats).toHaveLength(1);
    // Left without a reading, it goes again.
    inputs()[1]?.dispatchEvent(new Event('blur'));
    await fixture.whenStable();
    expect(inputs()).toHaveLength(1);
    again?.click();
    await fixture.whenStable();
    await type('76.3', 1);
    expect(store.plan().readings['donor.brakeSpace.left']?.repeats.map((r) => r.value)).toEqual([76.1, 76.3]);
    element().remove();
  });
});
