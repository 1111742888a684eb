import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { MatTableModule } from '@angular/material/table';
import { readingsLog, type LogRow } from '@intervex/core/sheets';
import type { Problem, RevisionView } from '@intervex/contract/wire';
import { ProjectsService } from '../state/projects.service';
import { refusalOf, sentenceOf } from '../state/refusals';
import { JumpService } from '../state/jump.service';
import { PhotosService } from '../state/photos.service';
import { narrowPage } from '../stage/narrow-page';
import { Segments } from '../shared/segments';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';
import { ProjectList } from './project-list';

const EXTENTS = [
  { id: 'plan', name: 'This plan' },
  { id: 'project', name: 'Whole project' },
] as const;

const AGREEMENT: Readonly<Record<LogRow['agreement'], string>> = {
  single: 'read once',
  agree: 'agree',
  disagree: 'disagree, take another',
  chosen: 'chosen',
};

/** Largest table that is sent; the server takes no more either. */
const MAX_BYTES = 1_000_000;

/** Every reading of the plan in one table: who read it, when, with what; out and in as CSV. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-readings',
  imports: [
    MatButtonModule,
    Segments,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    MatTableModule,
    ProjectList,
  ],
  templateUrl: './readings-page.html',
  styleUrl: './readings-page.scss',
})
export class ReadingsPage {
  private readonly projects = inject(ProjectsService);
  private readonly jumps = inject(JumpService);
  private readonly units = inject(UnitsService);
  protected readonly store = inject(PlanStore);
  protected readonly agreementOf = (row: LogRow): string => AGREEMENT[row.agreement];
  protected readonly narrow = narrowPage();
  /** On a phone how it was read stands under its name. */
  protected readonly columns = computed(() =>
    this.narrow()
      ? ['name', 'value', 'history']
      : ['name', 'value', 'repeats', 'instrument', 'datum', 'who', 'history'],
  );
  protected readonly photos = inject(PhotosService);
  /** Readings of all variants instead of this plan’s. */
  protected readonly extents = EXTENTS;
  protected readonly whole = signal(false);
  protected readonly filter = signal('');
  protected readonly trouble = signal('');
  protected readonly problems = signal<readonly Problem[]>([]);
  protected readonly taken = signal('');
  /** Reading whose history is open, and what is known of it. */
  protected readonly opened = signal<
    { readonly row: LogRow; readonly past: readonly RevisionView[] } | undefined
  >(undefined);

  protected readonly all = computed(() =>
    readingsLog(this.store.plan(), this.store.results(), this.units.unit()),
  );
  protected readonly rows = computed(() => {
    const words = this.filter().toLowerCase().split(/\s+/).filter(Boolean);
    return this.all().filter((row) => {
      const text = `${row.name} ${row.heading} ${row.instrument} ${row.datum} ${row.who} ${row.note} ${AGREEMENT[row.agreement]}`;
      return words.every((word) => text.toLowerCase().includes(word));
    });
  });
  protected readonly csv = computed(
    () => `/api/variants/${this.store.variant()?.id ?? ''}/readings.csv?units=${this.units.unit()}`,
  );

  protected when(at: string): string {
    return at
      ? new Date(at).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short', hour12: false })
      : '';
  }

  protected go(row: LogRow): void {
    void this.jumps.to(row.id);
  }

  /** Shows who changed a reading, and when; nothing of it is ever deleted. */
  protected async history(row: LogRow): Promise<void> {
    const id = this.store.variant()?.id;
    if (!id) return;
    await this.attempt(async () => {
      await this.store.flush();
      const all = await this.projects.history(id);
      const place = `/readings/${row.id}`;
      this.opened.set({
        row,
        past: all.filter((r) => r.changed.some((c) => c === place || c.startsWith(`${place}/`))),
      });
    });
  }

  protected async take(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    const variant = this.store.variant();
    if (!file || !variant) return;
    if (file.size > MAX_BYTES) {
      this.trouble.set(
        `${file.name} is ${(file.size / 1e6).toFixed(1)} MB; a table of readings has at most 1 MB.`,
      );
      return;
    }
    await this.attempt(async () => {
      await this.store.flush();
      const view = await this.projects.importReadings(variant.id, file);
      await this.store.catchUp(view.revision);
      this.taken.set(`${file.name} is taken over. Undo takes it back as a whole.`);
    });
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    this.trouble.set('');
    this.problems.set([]);
    this.taken.set('');
    try {
      await work();
    } catch (error) {
      const refusal = refusalOf(error);
      this.problems.set(refusal?.problems ?? []);
      this.trouble.set(refusal ? 'The table is refused; nothing was changed.' : sentenceOf(error));
    }
  }
}
