import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  type ElementRef,
  inject,
  Injector,
  input,
  signal,
  viewChild,
} from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { FACT_EVIDENCE, findFact, type Fact, type FactEvidence } from '@intervex/core';
import { comeTo } from '../shared/come-to';
import { PhotoList } from '../shared/photo-list';
import { PersonService } from '../state/person.service';
import { PhotosService } from '../state/photos.service';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';

export const EVIDENCE_WORDS: Readonly<Record<FactEvidence, string>> = {
  measured: 'measured',
  seen: 'seen',
  seller: 'seller says',
};

/** Something known that is no number, and how it is known. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-fact',
  imports: [MatIconModule, PhotoList],
  template: `
    <div class="row">
      <label class="name" [for]="'f-' + id()">{{ kind().label }}</label>
      <span class="answer">
        <select
          #value
          class="choice"
          [id]="'f-' + id()"
          [attr.data-fact]="id()"
          [class.unknown]="!fact()"
          (change)="setValue(value.value)"
          (focus)="open.set(true)"
        >
          <option value="" [selected]="!fact()">not known</option>
          @for (o of kind().options; track o.value) {
            <option [value]="o.value" [selected]="fact()?.value === o.value">{{ o.label }}</option>
          }
        </select>
        @if (fact(); as f) {
          <select
            #evidence
            class="choice evidence"
            [class.seller]="f.evidence === 'seller'"
            [attr.aria-label]="'How ' + kind().label.toLowerCase() + ' is known'"
            (change)="setEvidence(evidence.value)"
          >
            @for (e of grades; track e) {
              <option [value]="e" [selected]="f.evidence === e">{{ words[e] }}</option>
            }
          </select>
        } @else {
          <span class="second grade">unknown</span>
        }
      </span>
    </div>
    @if (open() || photos().length || fact()?.note) {
      <p class="hint">
        {{ kind().hint }}
        @if (fact(); as f) {
          <input
            #note
            type="text"
            class="box note"
            maxlength="200"
            placeholder="Note"
            [attr.aria-label]="'Note on ' + kind().label.toLowerCase()"
            [value]="f.note ?? ''"
            (change)="setNote(note.value)"
          />
        }
      </p>
      @if (fact()) {
        @defer (on immediate) {
          <ix-photos [place]="'fact.' + id()" [label]="kind().label" />
        }
      }
    }
  `,
  styles: `
    :host {
      display: block;
      padding: 3px 0;
    }
    .row {
      display: flex;
      flex-wrap: wrap;
      gap: 2px 6px;
      align-items: center;
      justify-content: space-between;
    }
    .name {
      flex: none;
      font-size: 13px;
      white-space: nowrap;
    }
    .answer {
      display: flex;
      flex: none;
      gap: 6px;
      align-items: center;
      max-width: 100%;
      margin-left: auto;
    }
    .grade {
      width: 76px;
      font-size: 12px;
    }
    select {
      min-width: 0;
      max-width: 100%;
    }
    select.unknown {
      color: var(--ink-2);
    }
    select.seller {
      border-color: var(--amber);
      background: var(--amber-tint);
    }
    .hint {
      margin: 3px 0 4px;
      color: var(--ink-2);
      font-size: 12px;
      line-height: 1.35;
    }
    .note {
      height: 26px;
      margin-top: 3px;
      font-size: 12.5px;
    }
  `,
})
export class FactField {
  private readonly store = inject(PlanStore);
  private readonly person = inject(PersonService);
  private readonly selection = inject(SelectionService);
  private readonly injector = inject(Injector);
  private readonly photosService = inject(PhotosService);
  private readonly field = viewChild.required<ElementRef<HTMLSelectElement>>('value');

  readonly id = input.required<string>();
  protected readonly grades = FACT_EVIDENCE;
  protected readonly words = EVIDENCE_WORDS;
  protected readonly open = signal(false);
  protected readonly kind = computed(() => {
    const kind = findFact(this.id());
    if (!kind) throw new RangeError(`There is no fact “${this.id()}”.`);
    return kind;
  });
  protected readonly fact = computed<Fact | undefined>(() => this.store.fact(this.id()));
  protected readonly photos = computed(() => this.photosService.at(`fact.${this.id()}`));

  constructor() {
    // A jump from a check or a joint lands here.
    effect(() => {
      if (this.selection.take(`fact.${this.id()}`)) comeTo(this.field().nativeElement, this.injector);
    });
  }

  protected setValue(value: string): void {
    if (value === '') this.write(undefined);
    else this.write({ ...(this.fact() ?? { evidence: this.kind().claim ? 'seller' : 'seen' }), value });
  }

  protected setEvidence(grade: string): void {
    const fact = this.fact();
    const evidence = FACT_EVIDENCE.find((e) => e === grade);
    if (fact && evidence) this.write({ ...fact, evidence });
  }

  protected setNote(text: string): void {
    const fact = this.fact();
    if (!fact) return;
    const { note: _before, ...rest } = fact;
    const note = text.trim();
    this.write(note ? { ...rest, note } : rest);
  }

  private write(fact: Omit<Fact, 'who' | 'at'> | undefined): void {
    const signed = fact && { ...fact, who: this.person.name(), at: new Date().toISOString() };
    this.store.put('facts', this.id(), signed);
    this.store.saveNow();
  }
}
