import {
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  HostListener,
  inject,
  input,
  untracked,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { RouterLink, RouterOutlet } from '@angular/router';
import { narrowPage } from '../stage/narrow-page';
import { InstrumentBar } from '../readings/instrument-bar';
import { InstrumentsService } from '../state/instruments.service';
import { JumpService } from '../state/jump.service';
import { LiveService } from '../state/live.service';
import { MeService } from '../state/me.service';
import { PlanStore } from '../state/plan-store';
import { SelectionService } from '../state/selection.service';
import { UnitsService } from '../state/units.service';
import { ChecksDrawer } from './checks-drawer';
import { ConflictPanel } from './conflict-panel';
import { LeftBehind } from './left-behind';
import { RemovedNote } from './removed-note';
import { Rail } from './rail';
import { Strip } from './strip';
import { TopBar } from './top-bar';
import { KeysPanel } from './keys';
import { WorkingPanel } from './working-panel';

/** The desk: top bar, rail of stages, the stage itself, the running strip, and what slides over it. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-shell',
  imports: [
    ChecksDrawer,
    ConflictPanel,
    InstrumentBar,
    KeysPanel,
    LeftBehind,
    RemovedNote,
    RemovedNote,
    MatButtonModule,
    MatIconModule,
    Rail,
    RouterLink,
    RouterOutlet,
    Strip,
    TopBar,
    WorkingPanel,
  ],
  templateUrl: './shell.html',
  styleUrl: './shell.scss',
})
export class Shell {
  protected readonly NOT_LOADED = 'This cannot be loaded. Load the page again.';
  protected readonly store = inject(PlanStore);
  protected readonly selection = inject(SelectionService);
  private readonly units = inject(UnitsService);
  private readonly live = inject(LiveService);
  private readonly jumps = inject(JumpService);
  protected readonly instruments = inject(InstrumentsService);

  readonly variantId = input.required<string>();
  protected readonly narrow = narrowPage();
  private readonly me = inject(MeService).me;
  protected readonly guest = computed(() => this.me().role === 'guest');
  protected readonly loaded = computed(() => this.store.variant()?.id === this.variantId());

  private readonly commands: Readonly<Record<string, () => void>> = {
    'ctrl+z': () => void this.jumps.step('undo'),
    'ctrl+shift+z': () => void this.jumps.step('redo'),
    'ctrl+y': () => void this.jumps.step('redo'),
    Escape: () => this.selection.closeDrawers(),
    u: () => this.units.next(),
    c: () => this.selection.toggleChecks(),
    '?': () => this.selection.toggleKeys(),
    F9: () => this.instruments.take(),
  };

  constructor() {
    inject(DestroyRef).onDestroy(() => {
      this.live.leave();
      this.instruments.disconnect();
    });
    effect(() => {
      this.variantId();
      untracked(() => void this.open());
    });
  }

  /** Opens the plan and follows it; one that is open is looked at again. */
  protected async open(): Promise<void> {
    const id = this.variantId();
    if (this.loaded()) await this.store.lookAgain();
    else await this.store.open(id);
    if (this.store.variant()?.id !== id) return;
    if (this.live.state() === 'gone') this.live.leave();
    this.live.follow(id);
  }

  /** Commands of one key or with Ctrl, only where nobody is typing. */
  @HostListener('document:keydown', ['$event'])
  protected key(event: KeyboardEvent): void {
    const target = event.target as HTMLElement;
    const held = event.ctrlKey || event.metaKey;
    const key = held ? `ctrl+${event.shiftKey ? 'shift+' : ''}${event.key.toLowerCase()}` : event.key;
    const command = this.commands[key];
    if (!command || event.altKey) return;
    if (held && target.matches('input:not([data-quantity]), textarea, select, [contenteditable]')) return;
    if (key.length === 1 && target.matches('input, textarea, select')) return;
    if (held) event.preventDefault();
    command();
  }

  /** A page that is closed with unsaved edits asks first. */
  @HostListener('window:beforeunload', ['$event'])
  protected leave(event: BeforeUnloadEvent): void {
    if (this.store.saveState() === 'saved') return;
    void this.store.flush();
    event.preventDefault();
  }
}
