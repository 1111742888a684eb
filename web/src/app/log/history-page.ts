import { ChangeDetectionStrategy, Component, computed, effect, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { RevisionView } from '@intervex/contract/wire';
import { entryName, findQuantity, quantityName, type Plan } from '@intervex/core';
import { LiveService } from '../state/live.service';
import { PersonService } from '../state/person.service';
import { PlanStore } from '../state/plan-store';
import { ProjectsService } from '../state/projects.service';
import { sentenceOf } from '../state/refusals';
import { UnitsService } from '../state/units.service';
import { planDifferences } from './plan-differences';

const PAGE = 60;
const KINDS: Readonly<Record<RevisionView['kind'], string>> = {
  create: 'begun',
  edit: 'changed',
  undo: 'undone',
  redo: 'done again',
  import: 'read from a file',
  restore: 'put back',
};
const FORM = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });

/** All revisions of a plan: who changed what; any of them opened, compared with what stands now, and put back. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-history-page',
  imports: [MatButtonModule],
  templateUrl: './history-page.html',
  styleUrl: './history-page.scss',
})
export class HistoryPage {
  protected readonly store = inject(PlanStore);
  private readonly projects = inject(ProjectsService);
  private readonly units = inject(UnitsService);
  protected readonly rows = signal<readonly RevisionView[]>([]);
  protected readonly more = signal(false);
  protected readonly trouble = signal('');
  protected readonly done = signal('');
  /** Revision that is looked at, with its plan. */
  protected readonly opened = signal<{ readonly row: RevisionView; readonly plan: Plan } | undefined>(
    undefined,
  );
  protected readonly differences = computed(() => {
    const opened = this.opened();
    return opened ? planDifferences(opened.plan, this.store.plan(), this.units.unit()) : [];
  });
  protected readonly KINDS = KINDS;
  private readonly live = inject(LiveService);
  private readonly person = inject(PersonService);
  /** Who else has the plan open: their pages change with it, so it is asked once more. */
  protected readonly others = computed(() => {
    const names = this.live.people().filter((name) => name && name !== this.person.name());
    if (names.length) return names.join(', ');
    return this.live.pages() > 1 ? 'Another page' : '';
  });
  protected readonly sure = signal(false);

  constructor() {
    effect(() => {
      const variant = this.store.variant();
      if (variant) void this.renew(variant.id);
    });
  }

  protected timeText(iso: string): string {
    return FORM.format(new Date(iso));
  }

  protected whatText({ changed }: RevisionView): string {
    const names = [...new Set(changed.map(placeText))];
    const [first = '', second, ...others] = names;
    return `${first}${second ? `; ${second}` : ''}${others.length ? `; and ${others.length} more` : ''}`;
  }

  protected async older(): Promise<void> {
    const id = this.store.variant()?.id;
    const last = this.rows().at(-1);
    if (!id || !last) return;
    await this.attempt(async () => {
      const next = await this.projects.history(id, last.revision, PAGE);
      this.rows.update((rows) => [...rows, ...next]);
      this.more.set(next.length === PAGE);
    });
  }

  protected async open(row: RevisionView): Promise<void> {
    const id = this.store.variant()?.id;
    if (!id) return;
    this.done.set('');
    this.sure.set(false);
    await this.attempt(async () => {
      this.opened.set({ row, plan: await this.projects.planAt(id, row.revision) });
    });
  }

  protected async putBack(): Promise<void> {
    const opened = this.opened();
    if (!opened) return;
    await this.attempt(async () => {
      const why = await this.store.restore(opened.row.revision);
      this.sure.set(false);
      if (why) {
        this.trouble.set(`Revision ${opened.row.revision} is not put back: ${why}.`);
        return;
      }
      this.opened.set(undefined);
      this.done.set(
        `Revision ${opened.row.revision} is put back as revision ${this.store.variant()?.revision ?? ''}. Undo takes that back.`,
      );
    });
  }

  private async renew(id: string): Promise<void> {
    await this.attempt(async () => {
      const rows = await this.projects.history(id, undefined, PAGE);
      // Those that were read before stay below the newer ones.
      const oldest = rows.at(-1)?.revision ?? 0;
      this.rows.update((before) => [...rows, ...before.filter((r) => r.revision < oldest)]);
      this.more.set((this.rows().at(-1)?.revision ?? 1) > 1);
    });
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    this.trouble.set('');
    try {
      await work();
    } catch (error) {
      this.trouble.set(sentenceOf(error));
    }
  }
}

/** Name of what a JSON pointer into a plan points at. */
function placeText(pointer: string): string {
  const [, part = '', key = ''] = pointer.split('/').map((p) => p.replaceAll('~1', '/').replaceAll('~0', '~'));
  const quantity = part === 'readings' ? findQuantity(key) : undefined;
  return quantity ? quantityName(quantity) : entryName(part as keyof Plan, key);
}
