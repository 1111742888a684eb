import { ChangeDetectionStrategy, Component, computed, inject, Injector } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import type { LengthUnit } from '@intervex/core';
import type { VariantTask } from '../projects/variant-line';
import { Menu } from '../shared/menu';
import type { MenuItem } from '../shared/menu-item';
import { Segments } from '../shared/segments';
import { Who } from '../shared/who';
import { sentenceOf } from '../state/refusals';
import { JumpService } from '../state/jump.service';
import { placesText } from '../state/changed-places';
import { InstrumentsService } from '../state/instruments.service';
import { LiveService } from '../state/live.service';
import { PlanStore, type SaveState } from '../state/plan-store';
import { ThemeService } from '../state/theme.service';
import { UnitsService } from '../state/units.service';

/** What is done to a variant on the projects page. */
const TASKS: readonly { readonly todo: VariantTask; readonly icon: string; readonly name: string }[] = [
  { todo: 'another', icon: 'add', name: 'Begin for another donor' },
  { todo: 'rename', icon: 'rename', name: 'Rename this variant' },
  { todo: 'remove', icon: 'remove', name: 'Remove this variant' },
];

const SAVE_WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'Saved',
  editing: 'Editing…',
  saving: 'Saving…',
  waiting: 'Not saved yet: waiting for the server',
  conflict: 'Not saved: changed elsewhere',
  refused: 'Not saved',
};

const LIVE_TROUBLE: Readonly<Record<string, string>> = {
  lost: 'Others’ changes do not come through now; trying again',
  gone: 'This plan was removed',
  away: 'The database is away; what you type is kept here',
};

const TAPE_STEPS: readonly { readonly unit: LengthUnit; readonly name: string; readonly what: string }[] = [
  { unit: 'frac', name: '1⁄16', what: 'tape and rule to a sixteenth' },
  { unit: 'frac32', name: '1⁄32', what: 'tape and rule to a thirty-second' },
  { unit: 'frac64', name: '1⁄64', what: 'tape and rule to a sixty-fourth' },
  { unit: 'in', name: '.000', what: 'all in decimals' },
];

const SYSTEMS = [
  { id: 'metric', name: 'metric' },
  { id: 'inch', name: 'inch' },
] as const;

/** `Undo casting to housing end, left`; only the word while it is not known what. */
function stepText(word: string, pointers: readonly string[] = []): string {
  const places = pointers.flatMap((pointer) => placeOfPointer(pointer) ?? []);
  return places.length ? `${word} ${placesText([...new Set(places)])}` : word;
}

/** Place of a JSON pointer into a plan. */
function placeOfPointer(pointer: string): string | undefined {
  const [, section, key] = pointer.split('/');
  if (!section || !key) return undefined;
  const plain = key.replaceAll('~1', '/').replaceAll('~0', '~');
  return section === 'facts' ? `fact.${plain}` : section === 'joints' ? `joint.${plain}` : plain;
}

/** Project and variant, units, undo, theme, and where saving stands. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-top-bar',
  imports: [MatButtonModule, MatIconModule, Menu, RouterLink, Segments, Who],
  templateUrl: './top-bar.html',
  styleUrl: './top-bar.scss',
  host: { role: 'banner' },
})
export class TopBar {
  private readonly injector = inject(Injector);
  private readonly router = inject(Router);
  protected readonly store = inject(PlanStore);
  protected readonly jumps = inject(JumpService);
  protected readonly instruments = inject(InstrumentsService);
  protected readonly live = inject(LiveService);
  protected readonly theme = inject(ThemeService);
  protected readonly units = inject(UnitsService);

  protected readonly stepName = computed(
    () => TAPE_STEPS.find((s) => s.unit === this.units.unit())?.name ?? '',
  );
  protected readonly systems = SYSTEMS;
  /** Who else has this plan open; empty while it is this page alone. */
  protected readonly here = computed(() => {
    const people = this.live.people();
    const [pages, more] = [this.live.pages(), this.live.pages() - people.length];
    return pages > 1 ? `${pages} pages open: ${people.join(', ')}${more > 0 ? ` and ${more} more` : ''}` : '';
  });
  protected readonly liveTrouble = computed(() => LIVE_TROUBLE[this.live.state()] ?? '');
  /** What the next undo and redo change, as far as it is known. */
  protected readonly undoText = computed(() => stepText('Undo', this.store.variant()?.undoes));
  protected readonly redoText = computed(() => stepText('Redo', this.store.variant()?.redoes));
  protected readonly saveText = computed(() => {
    const state = this.store.saveState();
    const at = this.store.variant()?.savedAt;
    if (state !== 'saved' || !at) return SAVE_WORDS[state];
    return `Saved ${new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false })}`;
  });

  protected readonly projectMenu = computed((): readonly MenuItem[] => {
    const id = this.store.variant()?.id ?? '';
    return [
      { icon: 'folder', text: 'All projects', link: { to: ['/projects'] } },
      { icon: 'walk', text: 'Readings log', link: { to: ['/plan', id, 'readings'] } },
      { icon: 'routes', text: 'Routes side by side', link: { to: ['/plan', id, 'routes'] } },
      { icon: 'undo', text: 'History', link: { to: ['/plan', id, 'history'] } },
      { icon: 'copy', text: 'Copy this variant', does: () => void this.copy() },
      ...TASKS.map(({ todo, icon, name }) => ({
        icon,
        text: name,
        link: { to: ['/projects'], query: { variant: id, todo } },
      })),
      {
        icon: 'download',
        text: 'Save the plan as a file',
        file: { address: `/api/variants/${id}/plan-file`, save: true },
      },
    ];
  });
  protected readonly benchMenu = computed((): readonly MenuItem[] => {
    const list = this.instruments.list().map((i) => ({
      text: i.label,
      second: i.connected ? '' : 'out of reach',
      disabled: !i.connected,
      does: () => void this.instruments.connect(i),
    }));
    const none = this.instruments.trouble() || 'Looking for instruments…';
    return list.length > 0 ? list : [{ text: none, disabled: true }];
  });
  /** How inch work is shown: off tape and rule in fractions to a step, or all in decimals. */
  protected readonly stepMenu = computed((): readonly MenuItem[] =>
    TAPE_STEPS.map(({ unit, name, what }) => ({
      text: name,
      second: what,
      figure: true,
      choice: { kind: 'radio', on: this.units.unit() === unit },
      does: () => {
        this.units.choose(unit);
      },
    })),
  );

  private async copy(): Promise<void> {
    const variant = this.store.variant();
    if (!variant) return;
    await this.store.flush();
    try {
      // Fetched when it is wanted.
      const { ProjectsService } = await import('../state/projects.service');
      const made = await this.injector.get(ProjectsService).copy(variant.id, `${variant.name}, copy`);
      await this.router.navigate(['/plan', made.id]);
    } catch (error) {
      this.store.trouble.set(sentenceOf(error));
    }
  }
}
