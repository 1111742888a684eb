import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import {
  joints,
  SEARCHED,
  VERDICTS,
  type JointNote,
  type JointResult,
  type SearchedJoint,
  factOfPlace,
} from '@intervex/core';
import { FactField } from '../../readings/fact-field';
import { PanelGroup } from '../../shared/panel-group';
import { ReadingField } from '../../readings/reading-field';
import { ScreenState } from '../../stage/screen-state';
import { PlanStore } from '../../state/plan-store';
import { chosenJoint } from './chosen-joint';
import { JointPart } from './joint-part';
import { VERDICT_WORDS } from './verdict-words';
import { UnitsService } from '../../state/units.service';

/** Most that a cost or hours may be. */
const MOST_COST = 1_000_000;
const MOST_HOURS = 5000;

/** One joint: what its faces are made of, what the parts counter has for it, and what the builder decides. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-joint',
  imports: [FactField, FormsModule, JointPart, PanelGroup, ReadingField],
  templateUrl: './joint-panel.html',
  styleUrl: './joint-panel.scss',
})
export class JointPanel {
  private readonly state = inject(ScreenState);
  protected readonly store = inject(PlanStore);
  protected readonly units = inject(UnitsService);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  protected readonly id = chosenJoint();

  protected readonly verdicts = VERDICTS;
  protected readonly words = VERDICT_WORDS;
  protected readonly problem = signal('');
  protected readonly joint = computed(
    () =>
      this.store
        .results()
        .of(joints)
        .find((j) => j.id === this.id()) as JointResult,
  );
  protected readonly note = computed<JointNote>(() => this.store.plan().joints[this.id()] ?? {});
  protected readonly quantities = computed(() => this.parts(false));
  protected readonly facts = computed(() => this.parts(true).flatMap((place) => factOfPlace(place) ?? []));
  protected readonly searched = computed<SearchedJoint | undefined>(() =>
    SEARCHED.find((j) => j === this.id()),
  );

  constructor() {
    // On a phone the panel stands far below the table.
    effect(() => {
      if (this.state.place()) this.host.nativeElement.scrollIntoView({ block: 'nearest' });
    });
  }

  protected text(key: 'work' | 'owner' | 'reason', text: string): void {
    this.put(key, text.trim().slice(0, 200) || undefined);
  }

  /** Takes a number, or says what is wrong with it and changes nothing. */
  protected amount(key: 'cost' | 'hours', text: string): void {
    const most = key === 'cost' ? MOST_COST : MOST_HOURS;
    const value = Number(text.replace(',', '.'));
    const ok = Number.isFinite(value) && value >= 0 && value <= most;
    this.problem.set(
      ok ? '' : `“${text}” is no ${key === 'cost' ? 'cost' : 'number of hours'} between 0 and ${most}.`,
    );
    if (ok) this.put(key, text.trim() === '' ? undefined : value);
  }

  /** A verdict of one’s own needs its reason; without one the computed verdict stands. */
  protected judge(text: string, reason: string): void {
    const verdict = VERDICTS.find((v) => v === text);
    if (verdict && reason.trim().length < 3) {
      this.problem.set('Write the reason for your own verdict first.');
      return;
    }
    this.problem.set('');
    const { verdict: _v, reason: _r, ...rest } = this.note();
    this.write(verdict ? { ...rest, verdict, reason: reason.trim() } : rest);
  }

  private put<K extends keyof JointNote>(key: K, value: JointNote[K] | undefined): void {
    const { [key]: _before, ...rest } = this.note();
    this.write(value === undefined ? rest : { ...rest, [key]: value });
  }

  private write(note: JointNote): void {
    this.store.put('joints', this.id(), Object.keys(note).length ? note : undefined);
    this.store.saveNow();
  }

  private parts(facts: boolean): readonly string[] {
    const all = this.joint().faces.flatMap((f) => f.from);
    return [...new Set(all)].filter((place) => (factOfPlace(place) !== undefined) === facts);
  }
}
