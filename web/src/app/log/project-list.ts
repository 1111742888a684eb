import { ScrollingModule } from '@angular/cdk/scrolling';
import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { ProjectReading } from '@intervex/contract/wire';
import { findQuantity, INSTRUMENTS, readByTape, type InstrumentId } from '@intervex/core';
import { debounceTime } from 'rxjs';
import { ProjectsService } from '../state/projects.service';
import { sentenceOf } from '../state/refusals';
import { JumpService } from '../state/jump.service';
import { PlanStore } from '../state/plan-store';
import { UnitsService } from '../state/units.service';
import { ProjectReadingsSource } from './project-readings';

/** Quiet time after the last keystroke before the search is sent, ms. */
const QUIET_MS = 200;
/** Height of a line, px; all are alike so that the list can be scrolled without being built. */
const LINE = 32;

/** Every repeat of every reading of the project’s variants in one long list. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-project-list',
  imports: [ScrollingModule],
  template: `
    <p class="second" role="status">{{ counted() }}</p>
    @if (trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    <div class="line head" aria-hidden="true">
      <span>Reading</span>
      <span>Variant</span>
      <span class="number">Value</span>
      <span>With</span>
      <span>From</span>
      <span>Who, when</span>
      <span>Note</span>
    </div>
    <cdk-virtual-scroll-viewport
      [itemSize]="height"
      tabindex="0"
      role="list"
      aria-label="Readings of all variants"
    >
      <div *cdkVirtualFor="let r of source(); templateCacheSize: 0" class="line" role="listitem">
        @if (r) {
          <span>
            @if (r.variantId === store.variant()?.id) {
              <button type="button" class="plain link" (click)="go(r)">{{ r.name }}</button>
            } @else {
              {{ r.name }}
            }
            @if (r.repeat > 1) {
              <small class="second">reading {{ r.repeat }}</small>
            }
          </span>
          <span>{{ r.variant }}</span>
          <span class="number figure">{{ value(r) }}</span>
          <span>{{ instrument(r) }}</span>
          <span>{{ r.datum }}</span>
          <span>{{ r.who }} {{ when(r.at) }}</span>
          <span>{{ r.note }}</span>
        } @else {
          <span class="second">…</span>
        }
      </div>
    </cdk-virtual-scroll-viewport>
  `,
  styles: `
    :host {
      display: flex;
      flex: 1;
      flex-direction: column;
      min-height: 200px;
      overflow-x: auto;
    }
    p {
      margin: 0 0 6px;
      font-size: 13px;
    }
    .trouble {
      color: var(--red);
    }
    cdk-virtual-scroll-viewport {
      flex: 1;
      min-width: 900px;
      border: 1px solid var(--rule);
      background: var(--sheet);
    }
    .line {
      display: grid;
      grid-template-columns: minmax(190px, 2fr) minmax(110px, 1fr) 104px 92px minmax(90px, 1fr) 150px minmax(
          80px,
          1.4fr
        );
      gap: 10px;
      align-items: center;
      min-width: 900px;
      height: 32px;
      padding: 0 10px;
      border-bottom: 1px solid var(--rule);
      font-size: 13px;
    }
    .line span {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    .head {
      border-bottom: 0;
      color: var(--ink-2);
      font-size: 12.5px;
    }
    .number {
      text-align: right;
    }
    .link {
      min-height: 24px;
      color: var(--dye);
      text-decoration: underline;
    }
    small {
      margin-left: 6px;
      font-size: 12px;
    }
  `,
})
export class ProjectList {
  private readonly projects = inject(ProjectsService);
  private readonly jumps = inject(JumpService);
  private readonly units = inject(UnitsService);
  protected readonly store = inject(PlanStore);
  readonly find = input('');
  protected readonly height = LINE;
  protected readonly trouble = signal('');
  private readonly counts = signal<{ found: number; of: number } | undefined>(undefined);
  private readonly settled = toSignal(toObservable(this.find).pipe(debounceTime(QUIET_MS)), {
    initialValue: '',
  });

  /** A new list for every search; what it says of itself is passed on while it is the one shown. */
  protected readonly source = computed(() => {
    const project = this.store.variant()?.projectId ?? '';
    const find = this.settled();
    return new ProjectReadingsSource((from, limit) => this.projects.readings(project, find, from, limit));
  });
  protected readonly counted = computed(() => {
    const counts = this.counts();
    return counts ? `${counts.found} of ${counts.of} readings in all variants` : 'Looking…';
  });

  constructor() {
    effect((onCleanup) => {
      const source = this.source();
      const told = untracked(() => [
        source.counted.subscribe((counts) => {
          this.counts.set(counts);
          this.trouble.set('');
        }),
        source.failed.subscribe((error) => {
          this.trouble.set(sentenceOf(error));
        }),
      ]);
      onCleanup(() => {
        told.forEach((t) => {
          t.unsubscribe();
        });
      });
    });
  }

  protected go(reading: ProjectReading): void {
    void this.jumps.to(reading.id);
  }

  protected value(r: ProjectReading): string {
    return this.units.figure(
      { ...r, byTape: tapeRead(r.id, r.instrument as InstrumentId) },
      r.unit === 'mm' && this.units.unit() === 'mm' ? 2 : undefined,
    );
  }

  protected instrument(r: ProjectReading): string {
    return INSTRUMENTS[r.instrument as InstrumentId].label;
  }

  protected when(at: string): string {
    return at ? new Date(at).toLocaleDateString([], { dateStyle: 'medium' }) : '';
  }
}

function tapeRead(id: string, instrument: InstrumentId): boolean {
  const q = findQuantity(id);
  return q !== undefined && readByTape(q, instrument);
}
