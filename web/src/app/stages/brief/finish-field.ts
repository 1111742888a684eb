import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  type ElementRef,
  inject,
  viewChild,
} from '@angular/core';
import { provideDateFnsAdapter } from '@angular/material-date-fns-adapter';
import { MAT_DATE_LOCALE } from '@angular/material/core';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { formatISO, parseISO } from 'date-fns';
import { enGB } from 'date-fns/locale/en-GB';
import { DraftsService } from '../../state/drafts.service';
import { PlanStore } from '../../state/plan-store';

/** A month by its name: of 3 and 4 either could be it. A short year is of this century. */
const WRITTEN = ['d MMM yy', 'd MMM yyyy', 'd MMMM yyyy', 'MMM d yyyy', 'MMM d, yyyy', 'yyyy-MM-dd'];

/** Years in which a car may have to be ready; others are slips of the hand. */
const [FIRST_YEAR, LAST_YEAR] = [2000, 2199];
const PLACE = 'brief.finishBy';

/** When the car has to be ready. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-finish-field',
  imports: [MatDatepickerModule, MatFormFieldModule, MatInputModule],
  providers: [
    { provide: MAT_DATE_LOCALE, useValue: enGB },
    provideDateFnsAdapter({
      parse: { dateInput: WRITTEN },
      display: {
        dateInput: 'd MMM yyyy',
        monthLabel: 'MMM',
        monthYearLabel: 'MMM yyyy',
        dateA11yLabel: 'd MMMM yyyy',
        monthYearA11yLabel: 'MMMM yyyy',
      },
    }),
  ],
  template: `
    <mat-form-field appearance="outline" subscriptSizing="dynamic">
      <mat-label>To be finished by</mat-label>
      <input
        #field
        matInput
        autocomplete="off"
        placeholder="20 Mar 2027"
        [matDatepicker]="calendar"
        [value]="date()"
        (dateChange)="take($event.value)"
        [attr.aria-invalid]="trouble() ? true : null"
      />
      <mat-datepicker-toggle matIconSuffix [for]="calendar" />
      <mat-datepicker #calendar />
      @if (trouble(); as why) {
        <mat-hint class="trouble" role="alert">{{ why }}</mat-hint>
      }
    </mat-form-field>
  `,
  styles: `
    mat-form-field {
      width: 100%;
    }
  `,
})
export class FinishField {
  private readonly store = inject(PlanStore);
  private readonly drafts = inject(DraftsService);
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  protected readonly date = computed(() => {
    const { finishBy } = this.store.plan().brief;
    return finishBy ? parseISO(finishBy) : null;
  });
  /** Why what is typed is not taken; it stays in the field. */
  protected readonly trouble = computed(() => {
    const typed = this.drafts.get(PLACE);
    return typed === undefined
      ? ''
      : `“${typed}” is no day to finish by. Write it as 20 Mar 2027 or 2027-03-20.`;
  });

  constructor() {
    afterNextRender(() => {
      const typed = this.drafts.get(PLACE);
      if (typed !== undefined) this.field().nativeElement.value = typed;
    });
  }

  protected take(value: Date | null): void {
    const typed = this.field().nativeElement.value.trim();
    const year = value?.getFullYear() ?? FIRST_YEAR;
    if ((!value && typed) || year < FIRST_YEAR || year > LAST_YEAR) {
      this.drafts.keep(PLACE, typed);
      return;
    }
    this.drafts.drop(PLACE);
    this.store.put('brief', 'finishBy', value ? formatISO(value, { representation: 'date' }) : '');
  }
}
