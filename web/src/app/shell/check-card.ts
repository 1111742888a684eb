import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import {
  type Check,
  type CheckOffer,
  heldBy,
  inSentence,
  isAmountUnit,
  type Limit,
  type LimitId,
  LIMITS,
  parseAmount,
  parseAngle,
  type Parsed,
  parseLength,
  placeName,
} from '@intervex/core';
import { PhotoList } from '../shared/photo-list';
import { chosen } from '../stage/chosen';
import { PersonService } from '../state/person.service';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';

/** One check: figure, limit, reason, what to do; accept it or change its limit, both with a reason. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-check',
  imports: [FormsModule, MatButtonModule, MatFormFieldModule, MatIconModule, MatInputModule, PhotoList],
  templateUrl: './check-card.html',
  styleUrl: './check-card.scss',
})
export class CheckCard {
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly injector = inject(Injector);
  private readonly store = inject(PlanStore);
  private readonly person = inject(PersonService);
  private readonly selection = inject(SelectionService);
  protected readonly units = inject(UnitsService);

  readonly check = input.required<Check>();
  readonly jump = output<Check>();

  protected readonly asking = signal<'' | 'accept' | 'limit'>('');
  protected readonly reason = signal('');
  protected readonly limitText = signal('');
  protected readonly who = signal(this.person.name());
  protected readonly problem = signal('');
  protected readonly figure = computed(() => {
    const f = this.check().figure;
    return f ? this.units.against(f.value, this.check().limit?.value, f.unit) : '';
  });
  protected readonly limit = computed(() => {
    const l = this.check().limit;
    return l ? this.units.against(l.value, l.value, l.unit) : '';
  });
  protected readonly fallback = computed(() => {
    const l = this.check().limit;
    return l ? this.units.against(l.fallback, l.fallback, l.unit) : '';
  });
  /** What is missing for it to be told. */
  protected readonly lacks = computed(() => (this.check().lacks ?? []).map((id) => placeName(id)).join(', '));
  /** Said where the figure stands nearer its limit than the readings can tell. */
  protected readonly within = computed(() => {
    const { within, figure } = this.check();
    return within !== undefined && figure
      ? `The readings cannot tell which side of the limit this is: ± ${this.units.show(within, figure.unit, figure.unit === 'mm' && this.units.unit() === 'mm' ? 2 : undefined)}.`
      : '';
  });
  protected readonly assumed = computed(() =>
    (this.check().assumed ?? [])
      .map((a) => `${inSentence(a.label)} ${this.units.show(a.value, a.unit)}`)
      .join(', '),
  );
  protected readonly icon = computed(() =>
    this.check().level === 'ok' || this.check().accepted ? 'settled' : this.check().level,
  );

  /** What would mend it; not while readings it follows from contradict each other. */
  protected readonly offer = computed(() => {
    const { offer } = this.check();
    const figure = offer && this.store.figures().get(offer.figureId);
    return heldBy(figure, this.store.results().contradicted) === undefined ? offer : undefined;
  });

  protected explain(): void {
    const id = this.check().figure?.figureId;
    if (id) this.selection.explain(id);
  }

  protected ask(what: 'accept' | 'limit'): void {
    this.problem.set('');
    this.reason.set('');
    const l = this.check().limit;
    this.limitText.set(l ? this.units.against(l.value, l.value, l.unit) : '');
    this.asking.set(what);
    this.focus('form input, form textarea');
  }

  protected leave(): void {
    this.asking.set('');
    this.focus('.actions button');
  }

  /** Gives focus to the first of some fields or buttons of this card, once it is there. */
  private focus(selector: string): void {
    afterNextRender(
      () => {
        this.host.nativeElement.querySelector<HTMLElement>(selector)?.focus();
      },
      { injector: this.injector },
    );
  }

  protected accept(): void {
    if (!this.reasoned()) return;
    this.person.rename(this.who());
    const figure = this.check().figure?.value ?? null;
    const acceptance = {
      reason: this.reason().trim(),
      figure,
      who: this.person.name(),
      at: new Date().toISOString(),
    };
    this.store.put('accepted', this.check().id, acceptance);
    this.leave();
  }

  /** Takes what mends it. */
  protected take({ quantityId, value }: CheckOffer): void {
    this.store.setReading(quantityId, chosen(value));
    this.store.saveNow();
  }

  protected withdraw(): void {
    this.store.put('accepted', this.check().id, undefined);
  }

  protected changeLimit(): void {
    const { limit } = this.check();
    if (!limit || !this.reasoned()) return;
    const read = this.readLimit(limit.unit);
    const { min, max } = LIMITS[limit.id as LimitId] as Limit;
    if (!read.ok) this.problem.set(read.reason);
    else if (read.value < min || read.value > max)
      this.problem.set(
        `This limit lies between ${this.units.show(min, limit.unit)} and ${this.units.show(max, limit.unit)}.`,
      );
    else {
      this.store.put('limits', limit.id as LimitId, { value: read.value, reason: this.reason().trim() });
      this.leave();
    }
  }

  protected defaultLimit(): void {
    const { limit } = this.check();
    if (limit) this.store.put('limits', limit.id as LimitId, undefined);
  }

  private reasoned(): boolean {
    const long = this.reason().trim().length >= 3;
    this.problem.set(long ? '' : 'Write the reason; it stands on the sheet.');
    return long;
  }

  private readLimit(unit: string): Parsed {
    const text = this.limitText();
    if (unit === 'mm') return parseLength(text, this.units.unit());
    if (unit === 'rad') return parseAngle(text);
    if (isAmountUnit(unit)) return parseAmount(text, unit, this.units.unit());
    if (unit !== 'ratio') return readPlain(text);
    const percent = Number(text.replace('%', '').trim());
    return Number.isFinite(percent) && text.trim()
      ? { ok: true, value: percent / 100 }
      : { ok: false, reason: 'Type a share in percent, such as 90 %.' };
  }
}

/** A plain number such as 1.5, with or without its unit behind it. */
function readPlain(text: string): Parsed {
  const value = Number(
    text
      .replace(/[A-Za-z·²/ ]+$/, '')
      .replace(',', '.')
      .trim(),
  );
  return text.trim() && Number.isFinite(value)
    ? { ok: true, value }
    : { ok: false, reason: 'Type a plain number, such as 1.5.' };
}
