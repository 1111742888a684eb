import { Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { cutSheet, ORDER_SHEET_NAMES, ORDER_SHEETS, rearView, SIDES } from '@intervex/core';
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
  protected readonly sides = SIDES;
  protected readonly words = { stop: 'Stop', caution: 'Caution', unknown: 'Not known', ok: 'Passed' } as const;
  protected readonly paper = signal<'a4' | 'letter'>('a4');
  protected readonly sheet = computed(() =>
    cutSheet(this.store.plan(), this.store.results(), this.units.unit()),
  );
  protected readonly view = computed(() => rearView(this.store.results(), this.store.plan().choices));
  protected readonly saved = computed(() => this.store.saveState() === 'saved');
  protected readonly pdf = computed(() => this.address('cut-sheet.pdf', `&paper=${this.paper()}`));
  protected readonly csv = computed(() => this.address('cut-sheet.csv'));
  protected readonly file = computed(() => `/api/variants/${this.store.variant()?.id ?? ''}/plan-file`);

  protected readonly orders = computed(() =>
    ORDER_SHEETS.map((id) => ({
      name: ORDER_SHEET_NAMES[id],
      pdf: this.address('order-sheet.pdf', `&paper=${this.paper()}&sheet=${id}`),
      csv: this.address('order-sheet.csv', `&sheet=${id}`),
      json: this.address('order-sheet.json', `&sheet=${id}`),
    })),
  );

  protected readonly walks = computed(() =>
    (
      [
        ['Survey sheet, blank', 'survey', false],
        ['Survey sheet, filled', 'survey', true],
        ['Donor sheet, blank', 'donor', false],
        ['Donor sheet, filled', 'donor', true],
      ] as const
    ).map(([name, stage, filled]) => ({
      name,
      href: this.address('survey-sheet.pdf', `&paper=${this.paper()}&stage=${stage}&filled=${filled}`),
    })),
  );

  private address(name: string, more = ''): string {
    const variant = this.store.variant();
    return `/api/variants/${variant?.id ?? ''}/${name}?units=${this.units.unit()}${more}`;
  }
}
