import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { amountWord, type Brief } from '@intervex/core';
import { DraftsService } from '../../state/drafts.service';
import { same } from '../../state/merge-plans';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { PlaceOf } from '../../shared/place-of';
import { curveText, gearsText, readCurve, readGears, type ReadText } from './brief-text';

/** Lists that are typed as text. */
type TypedList = 'gears' | 'torqueCurve';

/** Gearbox ratios and torque curve, typed as lists. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-engine-form',
  imports: [FormsModule, MatFormFieldModule, MatInputModule, PlaceOf],
  templateUrl: './engine-form.html',
  styles: `
    .form {
      display: grid;
      gap: 10px;
      margin: 8px 0 10px;
    }
  `,
})
export class EngineForm {
  private readonly store = inject(PlanStore);
  private readonly drafts = inject(DraftsService);
  private readonly units = inject(UnitsService);
  /** Texts of lists as they are typed; what they mean stands in the plan. */
  private readonly typing = signal<Readonly<Partial<Record<TypedList, string>>>>({});
  protected readonly gears = computed(() => this.listText('gears', readGears, gearsText));
  protected readonly curve = computed(() =>
    this.listText('torqueCurve', this.readCurve, (points) => curveText(points, this.units.unit())),
  );
  private readonly brief = computed(() => this.store.plan().brief);
  protected readonly torqueWord = computed(() => amountWord('Nm', this.units.unit()));

  private readonly readCurve = (text: string): ReadText<Brief['torqueCurve']> =>
    readCurve(text, this.units.unit());

  protected setGears(text: string): void {
    this.setList('gears', text, readGears(text));
  }

  protected setCurve(text: string): void {
    this.setList('torqueCurve', text, this.readCurve(text));
  }

  protected wrong(key: TypedList): string {
    const draft = this.drafts.get(`brief.${key}`);
    if (draft === undefined) return '';
    const read = key === 'gears' ? readGears(draft) : this.readCurve(draft);
    return read.ok ? '' : read.reason;
  }

  /** The text as typed while it still means what the plan holds, else the plan's own. */
  private listText<K extends TypedList>(
    key: K,
    read: (text: string) => ReadText<Brief[K]>,
    print: (value: Brief[K]) => string,
  ): string {
    const draft = this.drafts.get(`brief.${key}`);
    if (draft !== undefined) return draft;
    const typed = this.typing()[key];
    const meant = typed === undefined ? undefined : read(typed);
    const held = this.brief()[key];
    return typed !== undefined && meant?.ok && same(meant.value, held) ? typed : print(held);
  }

  private setList<K extends TypedList>(key: K, text: string, read: ReadText<Brief[K]>): void {
    if (!read.ok) {
      this.drafts.keep(`brief.${key}`, text);
      return;
    }
    this.drafts.drop(`brief.${key}`);
    this.typing.update((all) => ({ ...all, [key]: text }));
    this.store.put('brief', key, read.value);
  }
}
