import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { TestBed } from '@angular/core/testing';
import type { InstrumentReading, InstrumentView } from '@intervex/contract/wire';
import { EMPTY_PLAN } from '@intervex/core';
import { FakeStream } from '../testing/fake-stream';
import { OneStreamService } from './one-stream.service';
import { VARIANT, variantView } from '../testing/bench';
import { InstrumentsService } from './instruments.service';
import { PlanStore } from './plan-store';
import { SelectionService } from './selection.service';

const instrument = (kind: InstrumentView['kind'], unit: InstrumentView['unit']): InstrumentView => ({
  id: kind.toLowerCase(),
  label: kind === 'angleGauge' ? 'Angle gauge' : 'Caliper',
  kind,
  unit,
  resolution: 0.01,
  connected: true,
  battery: 0.8,
});
const line = (value: number, more: Partial<InstrumentReading> = {}): InstrumentReading => ({
  id: 'x',
  unit: 'mm',
  value,
  battery: 0.8,
  held: false,
  zeroed: false,
  at: '2027-03-20T18:00:00.000Z',
  ...more,
});

let stream: FakeStream;
let service: InstrumentsService;
let store: PlanStore;
beforeEach(async () => {
  localStorage.clear();
  stream = new FakeStream();
  TestBed.configureTestingModule({
    providers: [
      provideHttpClient(),
      provideHttpClientTesting(),
      { provide: OneStreamService, useValue: stream },
    ],
  });
  service = TestBed.inject(InstrumentsService);
  store = TestBed.inject(PlanStore);
  const opened = store.open(VARIANT);
  await Promise.resolve();
  TestBed.inject(HttpTestingController).expectOne(`/api/variants/${VARIANT}`).flush(variantView(EMPTY_PLAN));
  await opened;
});

const focus = (id: string) => {
  TestBed.inject(SelectionService).focused.set(id);
};
const send = (event: string, data: object) => {
  stream.send(event, data);
};
const readings = () => store.plan().readings;

describe('an instrument that is connected', () => {
  it('is taken into the field that has focus, repeat after repeat', () => {
    service.connect(instrument('caliper', 'mm'));
    service.take();
    expect(service.said()).toBe('Not taken: click into the field it is for first.');
    focus('survey.tubeOd');
    service.take();
    expect(service.said()).toBe('Not taken: waiting for its first value.');
    send('value', line(69.87));
    service.take();
    expect(service.said()).toBe('Taken into Tube outside diameter: 69.87 mm.');
    send('value', line(69.91));
    service.take();
    expect(service.said()).toContain('69.91 mm, reading 2');
    expect(readings()['survey.tubeOd']).toMatchObject({
      instrument: 'caliper',
      repeats: [{ value: 69.87, who: 'bench' }, { value: 69.91 }],
    });
  });

  it('is not taken where it cannot be: another unit, out of range, silent', () => {
    service.connect(instrument('caliper', 'mm'));
    send('value', line(69.87));
    focus('brief.front');
    service.take();
    expect(service.said()).toBe('Not taken: Front axle load is not read with the caliper.');
    focus('survey.left');
    service.take();
    expect(service.said()).toMatch(/^Not taken\. .*between 200\.0 mm and 1400\.0 mm.*[^.]\.$/);
    focus('survey.tubeOd');
    send('unread', { wrong: 'it sent no number', right: 'a number' });
    service.take();
    expect(service.said()).toBe('Not taken: it sent no number.');
    send('lost', { why: 'it is not connected' });
    expect(service.silence()).toBe('it is not connected; trying again');
    expect(readings()).toEqual({});
  });

  it('keeps what the gauge was zeroed on, and takes nothing while that is not known', async () => {
    const http = TestBed.inject(HttpTestingController);
    service.connect(instrument('angleGauge', 'deg'));
    send('value', line(1.5, { unit: 'deg', zeroed: true }));
    focus('angle.pinion');
    service.take();
    expect(service.said()).toContain('zeroed, but on what?');
    focus('angle.flat');
    const pressed = service.press('zero', true);
    http.expectOne('/api/instruments/anglegauge/zero').flush(null);
    await pressed;
    focus('angle.pinion');
    service.take();
    // 1.5° in rad.
    expect(readings()['angle.pinion']).toMatchObject({
      zeroedOn: 'angle.flat',
      repeats: [{ value: expect.closeTo(0.02618, 5) }],
    });
  });

  it('sums corner scales into the axle loads', () => {
    service.connect(instrument('scales', 'kg'));
    service.takeLoads();
    expect(service.said()).toBe('Not taken: waiting for its first value.');
    const channels = { leftFront: 291.5, rightFront: 284, rightRear: 241, leftRear: 248.5 };
    send('value', line(1065, { unit: 'kg', channels }));
    service.takeLoads();
    const value = (id: string) => readings()[id]?.repeats[0]?.value;
    expect([value('brief.front'), value('brief.rear'), value('brief.mass')]).toEqual([575.5, 489.5, 1065]);
  });

  it('hears nothing of an instrument that was left', () => {
    service.connect(instrument('caliper', 'mm'));
    service.connect(instrument('indicator', 'mm'));
    expect(stream.wishes.map((wish) => wish.instrument)).toEqual(['indicator']);
    service.disconnect();
    expect(stream.wishes).toEqual([]);
    expect(service.connected()).toBeUndefined();
  });
});
