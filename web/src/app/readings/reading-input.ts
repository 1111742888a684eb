import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import {
  type Parsed,
  type Quantity,
  quantityName,
  readByTape,
  type Reading,
  readQuantity,
} from '@intervex/core';
import { comeTo } from '../shared/come-to';
import { DraftsService } from '../state/drafts.service';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';
import { FieldOrder, type OrderedField } from './field-order';

/** What was typed and what it means. */
export interface TypedValue {
  readonly value: number;
  readonly typed: string;
}

/** Longest time a click usually takes, ms. */
const CLICK_MS = 250;

/**
 * One number typed as the tape shows it. What it means is told at once; what cannot be right is refused at
 * the field with the reason, and the text stays.
 */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-reading-input',
  template: `
    <input
      #field
      type="text"
      class="box figure"
      [style.--chars]="size()"
      autocomplete="off"
      spellcheck="false"
      [id]="inputId()"
      [value]="shown()"
      [attr.aria-label]="label()"
      [attr.aria-invalid]="problem() ? true : null"
      [attr.aria-describedby]="problem() ? inputId() + '-why' : null"
      [attr.data-quantity]="quantity().id"
      [placeholder]="placeholder()"
      (focus)="enter()"
      (blur)="leave()"
      (keydown.enter)="next($event)"
      (keydown.escape)="giveUp()"
    />
    @if (problem(); as why) {
      <span class="why" role="alert" [id]="inputId() + '-why'">{{ why }}</span>
    }
  `,
  styles: `
    :host {
      display: block;
      position: relative;
    }
    /* A tape fraction with its remainder stands whole. */
    input.box {
      width: max(var(--least, 112px), calc(var(--chars, 0) * 1ch + 15px));
      padding: 0 6px;
      font-size: 13px;
    }
    input:focus {
      background: var(--sheet);
    }
    input::placeholder {
      color: var(--ink-2);
      opacity: 1;
    }
    .why {
      display: block;
      margin-top: 3px;
      color: var(--red);
      font-size: 12px;
      line-height: 1.3;
    }
  `,
})
export class ReadingInput {
  private readonly units = inject(UnitsService);
  private readonly drafts = inject(DraftsService);
  private readonly store = inject(PlanStore);
  private readonly selection = inject(SelectionService);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef);
  private readonly order = inject(FieldOrder);
  private readonly injector = inject(Injector);
  /** Where it stands among the other fields. */
  private readonly place: OrderedField = {
    element: this.host.nativeElement,
    focus: () => {
      this.field().nativeElement.focus();
      this.field().nativeElement.select();
    },
  };
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  readonly quantity = input.required<Quantity>();
  /** Which repeat; 0 is the first. */
  readonly index = input(0);
  /** A template’s safe navigation gives null where there is no reading. */
  readonly value = input<number | undefined, number | null | undefined>(undefined, {
    transform: (value) => value ?? undefined,
  });
  readonly placeholder = input('');
  /** Told at every key, directly: an output would have all round the field looked through again. */
  readonly typed = input.required<(index: number, value: TypedValue) => void>();
  readonly cleared = output();
  /** Apart from the other fields: Enter ends it. */
  readonly apart = input(false);
  readonly done = output();
  /** It has focus. */
  readonly entered = output();

  protected readonly inputId = computed(
    () => `${this.apart() ? 'e-' : ''}q-${this.quantity().id}-${this.index()}`,
  );
  protected readonly label = computed(() => {
    const name = quantityName(this.quantity());
    return this.index() === 0 ? name : `${name}, reading ${this.index() + 1}`;
  });
  /** Text while it is being typed; undefined shows the value. */
  private readonly typing = signal<string | undefined>(undefined);
  private lastSent: number | undefined;
  private before: Reading | undefined;
  private readonly draft = computed(() => this.typing() ?? this.drafts.get(this.inputId()));
  /** Figures that the field has to hold, typed or assumed. */
  protected readonly size = computed(() => (this.shown() || this.placeholder()).length);
  protected readonly shown = computed(() => this.draft() ?? this.valueText());
  protected readonly problem = computed(() => {
    const draft = this.draft();
    if (draft === undefined || draft.trim() === '') return '';
    const read = this.read(draft);
    return read.ok ? '' : read.reason;
  });

  constructor() {
    let leave: (() => void) | undefined;
    afterNextRender(() => {
      const { nativeElement } = this.field();
      nativeElement.addEventListener('input', () => {
        this.type(nativeElement.value);
      });
      if (!this.apart()) leave = this.order.join(this.place);
    });
    inject(DestroyRef).onDestroy(() => leave?.());
    // A jump from a check or a dimension lands here.
    effect(() => {
      if (this.apart() || this.index() !== 0 || !this.selection.take(this.quantity().id)) return;
      comeTo(this.host.nativeElement, this.injector, this.place.focus);
    });
    // A value that changes from outside, by undo or another page, replaces what stands here.
    effect(() => {
      if (this.value() !== this.lastSent) this.typing.set(undefined);
    });
  }

  /** Puts the cursor into it. */
  focus(): void {
    this.place.focus();
  }

  private type(text: string): void {
    this.typing.set(text);
    if (text.trim() === '') {
      this.drafts.drop(this.inputId());
      return;
    }
    const read = this.read(text);
    if (!read.ok) {
      this.drafts.keep(this.inputId(), text);
      return;
    }
    this.drafts.drop(this.inputId());
    this.lastSent = read.value;
    this.typed()(this.index(), { value: read.value, typed: text.trim() });
  }

  protected enter(): void {
    this.before = this.store.reading(this.quantity().id);
    this.entered.emit();
    this.selection.focused.set(this.quantity().id);
  }

  /** An empty field takes the reading out only when it is left, not while it is being retyped. */
  protected leave(): void {
    // What was typed is in the plan at once, and stands here as its value only after the next drawing.
    const kept = this.store.reading(this.quantity().id)?.repeats[this.index()] !== undefined;
    if ((this.draft() ?? (kept ? 'kept' : '')).trim() === '') this.cleared.emit();
    this.lastSent = undefined;
    this.typing.set(undefined);
    this.store.saveNow();
    this.dim();
  }

  /** The hint of a field goes only after a click elsewhere has ended, so that nothing moves away under it. */
  private dim(): void {
    const { id } = this.quantity();
    const field = this.field().nativeElement;
    setTimeout(() => {
      if (this.selection.focused() === id && document.activeElement !== field) this.selection.focused.set('');
    }, CLICK_MS);
  }

  /** As it stood when the field was entered. */
  protected giveUp(): void {
    this.drafts.drop(this.inputId());
    this.typing.set(undefined);
    const { id } = this.quantity();
    if (this.store.reading(id) === this.before) return;
    this.store.setReading(id, this.before);
    this.store.saveNow();
  }

  /** Enter goes to the next reading in walking order; Shift goes back. */
  protected next(event: Event): void {
    event.preventDefault();
    this.store.saveNow();
    if (this.apart()) this.done.emit();
    else this.order.go(this.place, (event as KeyboardEvent).shiftKey);
  }

  private valueText(): string {
    const value = this.value();
    if (value === undefined) return '';
    const q = this.quantity();
    const instrument = this.store.reading(q.id)?.instrument ?? q.instrument;
    return this.units.plain(value, q.unit, readByTape(q, instrument), q.inMm);
  }

  private read(text: string): Parsed {
    return readQuantity(this.quantity(), text, this.units.unit());
  }
}
