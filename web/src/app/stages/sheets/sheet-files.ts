import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { stageTitle, WALKED } from '@intervex/core';
import { SHEETS } from '@intervex/core/sheets';
import { PanelGroup } from '../../shared/panel-group';
import { PAPERS, Segments } from '../../shared/segments';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';
import { MAIN_SHEET } from './main-sheet';

/** Every sheet on paper, as a table and as a file. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-sheet-files',
  imports: [MatButtonModule, MatIconModule, PanelGroup, Segments],
  templateUrl: './sheet-files.html',
  styles: `
    .files {
      display: grid;
      gap: 8px;
      margin: 12px 0;
    }
    .files.order {
      display: flex;
      gap: 4px;
    }
    .files.order a:first-child {
      flex: 1;
    }
    p {
      margin: 4px 0;
      font-size: 13px;
    }
  `,
})
export class SheetFiles {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly papers = PAPERS;
  protected readonly paper = signal<'a4' | 'letter'>('a4');
  protected readonly title = MAIN_SHEET.title;
  protected readonly saved = computed(() => this.store.saveState() === 'saved');
  protected readonly pdf = computed(() => this.address(`${MAIN_SHEET.address}.pdf`, `&paper=${this.paper()}`));
  protected readonly csv = computed(() => this.address(`${MAIN_SHEET.address}.csv`));
  protected readonly file = computed(() => `/api/variants/${this.store.variant()?.id ?? ''}/plan-file`);

  /** Sheets of the bench beside the main one. */
  protected readonly benches = computed(() =>
    SHEETS.filter((sheet) => sheet.bench && sheet !== MAIN_SHEET).map(({ title, address }) => ({
      name: title,
      pdf: this.address(`${address}.pdf`, `&paper=${this.paper()}`),
    })),
  );

  protected readonly orders = computed(() =>
    SHEETS.filter((sheet) => !sheet.bench).map(({ title, address }) => ({
      name: title,
      pdf: this.address(`${address}.pdf`, `&paper=${this.paper()}`),
      csv: this.address(`${address}.csv`),
      json: this.address(`${address}.json`),
    })),
  );

  protected readonly walks = computed(() =>
    WALKED.flatMap((stage) =>
      [false, true].map((filled) => ({
        name: `${stageTitle(stage)} sheet, ${filled ? 'filled' : 'blank'}`,
        href: this.address('survey-sheet.pdf', `&paper=${this.paper()}&stage=${stage}&filled=${filled}`),
      })),
    ),
  );

  private address(name: string, more = ''): string {
    const variant = this.store.variant();
    return `/api/variants/${variant?.id ?? ''}/${name}?units=${this.units.unit()}${more}`;
  }
}
