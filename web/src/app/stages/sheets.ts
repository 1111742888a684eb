import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { SHEETS, sheetOf, WALKED, stageTitle, type SheetDef } from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';
import { Stage } from './stage';
import { Segments, PAPERS } from '../shared/segments';

/** The cut sheet as it will be printed, and its files. */
@Component({
  selector: 'ix-sheets',
  imports: [MatButtonModule, MatIconModule, Segments, Stage, ViewSvg],
  templateUrl: './sheets.html',
  styleUrl: './sheets.scss',
})
export class SheetsStage {
  protected readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly papers = PAPERS;
  protected readonly words = { stop: 'Stop', caution: 'Caution', unknown: 'Not known', ok: 'Passed' } as const;
  protected readonly paper = signal<'a4' | 'letter'>('a4');
  private readonly main = SHEETS.find((sheet) => sheet.view) as SheetDef;
  protected readonly title = this.main.title;
  protected readonly sheet = computed(() => sheetOf(this.main, this.store.results(), this.units.unit()));
  protected readonly view = computed(() => this.main.view && this.store.results().of(this.main.view));
  protected readonly saved = computed(() => this.store.saveState() === 'saved');
  protected readonly pdf = computed(() => this.address(`${this.main.address}.pdf`, `&paper=${this.paper()}`));
  protected readonly csv = computed(() => this.address(`${this.main.address}.csv`));
  protected readonly file = computed(() => `/api/variants/${this.store.variant()?.id ?? ''}/plan-file`);

  protected readonly orders = computed(() =>
    SHEETS.filter((sheet) => sheet !== this.main).map(({ title, address }) => ({
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
