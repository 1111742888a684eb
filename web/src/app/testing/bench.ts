import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import { type Type } from '@angular/core';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { VariantView } from '@intervex/contract/wire';
import { EMPTY_PLAN, type Choices, type Plan, type Reading, type StageId } from '@intervex/core';
import { registerIcons } from '../shared/icons';
import { SCREENS } from '../stages';
import { ScreenState } from '../stage/screen-state';
import { StageScreenView } from '../stage/stage-screen';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';

export const VARIANT = '7d0c2f4e-1111-4c9a-9d2e-3b1f0a8c5e77';

/** A reading of the given values. */
export const read = (instrument: Reading['instrument'], ...values: number[]): Reading => ({
  repeats: values.map((value) => ({ value })),
  instrument,
});

/** A donor with unlike sides: halves 792.3 and 741.1 to a width of 1402. */
export function donorPlan(readings: Record<string, Reading> = {}, choices: Partial<Choices> = {}): Plan {
  return {
    ...EMPTY_PLAN,
    choices: { ...EMPTY_PLAN.choices, retention: 'boltIn', retentionTo: 'boltIn', ...choices },
    readings: {
      'brief.targetWidth': read('chosen', 1402),
      'donor.half.left': read('tape', 792.3),
      'donor.half.right': read('tape', 741.1),
      'donor.casting.left': read('caliper', 127.98),
      'donor.casting.right': read('caliper', 121.52),
      'donor.tube.left': read('tape', 588.3),
      'donor.tube.right': read('tape', 543.7),
      'donor.shaft.left': read('rule', 775.4),
      'donor.shaft.right': read('rule', 724.7),
      ...readings,
    },
  };
}

export const variantView = (plan: Plan, revision = 3): VariantView => ({
  id: VARIANT,
  name: 'Even up',
  projectId: '5a1f7c9e-2222-4c9a-9d2e-3b1f0a8c5e77',
  projectName: 'Tern',
  revision,
  savedAt: '2026-11-02T10:00:00Z',
  plan,
  canUndo: revision > 1,
  canRedo: false,
});

/** Sees nothing change: the test’s page has no layout. */
class StillObserver implements ResizeObserver {
  observe(): void {
    return;
  }
  unobserve(): void {
    return;
  }
  disconnect(): void {
    return;
  }
}

/** Sees everything at once: what is fetched when it is looked at is there. */
class SeenObserver implements IntersectionObserver {
  readonly root = null;
  readonly rootMargin = '';
  readonly scrollMargin = '';
  readonly thresholds: readonly number[] = [];

  constructor(private readonly seen: IntersectionObserverCallback) {}

  observe(target: Element): void {
    const box = target.getBoundingClientRect();
    const entry: IntersectionObserverEntry = {
      target,
      isIntersecting: true,
      intersectionRatio: 1,
      time: 0,
      boundingClientRect: box,
      intersectionRect: box,
      rootBounds: null,
    };
    // As a browser does: not before whoever asks has gone on.
    setTimeout(() => {
      this.seen([entry], this);
    });
  }
  unobserve(): void {
    return;
  }
  disconnect(): void {
    return;
  }
  takeRecords(): IntersectionObserverEntry[] {
    return [];
  }
}

/** A component with a plan open in the store, as the page has it. */
export class Bench<T> {
  private constructor(
    readonly fixture: ComponentFixture<T>,
    readonly store: PlanStore,
  ) {}

  static async of<T>(component: Type<T>, plan: Plan, inputs: Record<string, unknown> = {}): Promise<Bench<T>> {
    localStorage.clear();
    globalThis.ResizeObserver ??= StillObserver;
    globalThis.IntersectionObserver ??= SeenObserver;
    // The test’s page has no layout, so nothing scrolls.
    Element.prototype.scrollIntoView = () => undefined;
    // With the component, so that what it loads only when it is first shown is there from the beginning.
    TestBed.configureTestingModule({
      imports: [component],
      providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([]), ScreenState],
    });
    await TestBed.compileComponents();
    TestBed.runInInjectionContext(registerIcons);
    TestBed.inject(UnitsService).choose('mm');
    const store = TestBed.inject(PlanStore);
    const opened = store.open(VARIANT);
    await Promise.resolve();
    TestBed.inject(HttpTestingController).expectOne(`/api/variants/${VARIANT}`).flush(variantView(plan));
    await opened;
    const fixture = TestBed.createComponent(component);
    for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
    await fixture.whenStable();
    return new Bench(fixture, store);
  }

  /** A part of a stage’s screen of which a place was asked for, such as a joint. */
  static async at<T>(place: string, component: Type<T>, plan: Plan): Promise<Bench<T>> {
    const bench = await Bench.of(component, plan);
    TestBed.inject(ScreenState).place.set(place);
    await bench.fixture.whenStable();
    return bench;
  }

  /** A stage’s screen with a plan open. */
  static async stage(id: StageId, plan: Plan): Promise<Bench<StageScreenView>> {
    const look = await SCREENS[id].open();
    return Bench.of(StageScreenView, plan, { stage: id, look });
  }

  get element(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  /** All text, white space as one blank. */
  get text(): string {
    return (this.element.textContent ?? '').replace(/\s+/g, ' ').trim();
  }

  all<E extends Element = HTMLElement>(selector: string): E[] {
    return [...this.element.querySelectorAll<E>(selector)];
  }

  /** The button whose accessible name or text holds these words. @throws Error where there is none */
  button(words: string): HTMLElement {
    const found = this.all('button, [role=button], a, ix-segments label').find((b) =>
      `${b.getAttribute('aria-label') ?? ''} ${b.textContent ?? ''}`.includes(words),
    );
    if (!found) throw new Error(`There is no button “${words}”.`);
    return found;
  }

  async click(words: string): Promise<void> {
    this.button(words).dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true }));
    await this.fixture.whenStable();
  }

  async fill(selector: string, text: string): Promise<void> {
    const [field] = this.all<HTMLInputElement>(selector);
    if (!field) throw new Error(`There is no field ${selector}.`);
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await this.fixture.whenStable();
  }

  /** Waits until what was answered has been taken over. */
  async settle(): Promise<void> {
    await new Promise((done) => setTimeout(done));
    await this.fixture.whenStable();
  }

  async change(plan: Plan): Promise<void> {
    this.store.show(plan);
    await this.fixture.whenStable();
  }
}
