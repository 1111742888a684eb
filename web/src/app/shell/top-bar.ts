import { Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { MatIconModule } from '@angular/material/icon';
import { MatMenuModule } from '@angular/material/menu';
import { MatTooltipModule } from '@angular/material/tooltip';
import { Router, RouterLink } from '@angular/router';
import { ProjectsService } from '../state/projects.service';
import { sentenceOf } from '../state/refusals';
import { InstrumentsService } from '../state/instruments.service';
import { LiveService } from '../state/live.service';
import { PlanStore, type SaveState } from '../state/plan-store';
import { ThemeService } from '../state/theme.service';
import { UnitsService } from '../state/units.service';

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
  away: 'The database is away; what you type is kept here',
};

/** Project and variant, units, undo, theme, and where saving stands. */
@Component({
  selector: 'ix-top-bar',
  imports: [MatButtonModule, MatButtonToggleModule, MatIconModule, MatMenuModule, MatTooltipModule, RouterLink],
  templateUrl: './top-bar.html',
  styleUrl: './top-bar.scss',
  host: { role: 'banner' },
})
export class TopBar {
  private readonly projects = inject(ProjectsService);
  private readonly router = inject(Router);
  protected readonly store = inject(PlanStore);
  protected readonly instruments = inject(InstrumentsService);
  protected readonly live = inject(LiveService);
  protected readonly theme = inject(ThemeService);
  protected readonly units = inject(UnitsService);

  /** Who else has this plan open; empty while it is this page alone. */
  protected readonly here = computed(() => {
    const people = this.live.people();
    return people.length > 1 ? `${people.length} pages open: ${people.join(', ')}` : '';
  });
  protected readonly liveTrouble = computed(() => LIVE_TROUBLE[this.live.state()] ?? '');
  protected readonly saveText = computed(() => {
    const state = this.store.saveState();
    const at = this.store.variant()?.savedAt;
    if (state !== 'saved' || !at) return SAVE_WORDS[state];
    return `Saved ${new Date(at).toLocaleTimeString([], { hour: '2-digit', minute: '2-digit', hour12: false })}`;
  });

  protected async copy(): Promise<void> {
    const variant = this.store.variant();
    if (!variant) return;
    await this.store.flush();
    try {
      const made = await this.projects.copy(variant.id, `${variant.name}, copy`);
      await this.router.navigate(['/plan', made.id]);
    } catch (error) {
      this.store.trouble.set(sentenceOf(error));
    }
  }
}
