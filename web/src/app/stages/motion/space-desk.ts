import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  effect,
  type ElementRef,
  inject,
  signal,
  viewChild,
} from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { motionScene, solidsOf } from '@intervex/core/views/motion';
import { PlanStore } from '../../state/plan-store';
import { ThemeService } from '../../state/theme.service';
import { UnitsService } from '../../state/units.service';
import { pose } from './pose';
import type { Space } from './space';

const WIDEST = 1000;

/** The axle in space: turned with mouse or arrow keys, cut by a plane, given out as an open file. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-space',
  imports: [MatButtonModule],
  template: `
    @if (trouble(); as why) {
      <p class="trouble" role="alert">{{ why }}</p>
    }
    <canvas
      #canvas
      tabindex="0"
      role="img"
      aria-label="The axle in space"
      aria-describedby="space-words space-keys"
      (keydown)="key($event)"
    ></canvas>
    <p id="space-keys" class="second">
      Arrow keys turn it, plus and minus bring it nearer and farther, Home looks from behind again. Seen from
      <output class="figure">{{ from() }}</output>
    </p>
    <label>
      <span>Cut away left of</span>
      <input
        type="range"
        aria-label="Cut away left of"
        [min]="-widest"
        [max]="widest"
        step="10"
        [value]="cut()"
        [attr.aria-valuetext]="cutText()"
        (input)="cut.set(+$any($event.target).value)"
      />
      <output class="figure">{{ cutText() }}</output>
    </label>
    <p>
      <button mat-stroked-button type="button" (click)="save()">Save the scene as glTF</button>
    </p>
    <p id="space-words" class="second">{{ words() }}</p>
  `,
  styles: `
    :host {
      display: block;
      margin: 10px 0;
    }
    canvas {
      display: block;
      width: 100%;
      height: 380px;
      border: 1px solid var(--rule);
    }
    label {
      display: grid;
      grid-template-columns: 120px minmax(0, 1fr) minmax(110px, auto);
      gap: 12px;
      align-items: center;
      font-size: 14px;
    }
    input {
      min-width: 0;
      accent-color: var(--dye);
    }
    @media (max-width: 760px) {
      canvas {
        height: 300px;
      }
      label {
        grid-template-columns: 1fr;
        gap: 2px;
      }
    }
  `,
})
export class SpaceDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  private readonly theme = inject(ThemeService);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly space = signal<Space | undefined>(undefined);
  protected readonly widest = WIDEST;
  protected readonly cut = signal(WIDEST);
  protected readonly trouble = signal('');
  protected readonly from = signal('');
  private readonly solids = computed(() => {
    const { of } = this.store.results();
    const scene = motionScene(of, pose());
    return scene ? solidsOf(of, scene) : [];
  });
  protected readonly cutText = computed(() =>
    this.cut() >= WIDEST ? 'nothing' : this.units.show(this.cut(), 'mm'),
  );
  /** The same in words. */
  protected readonly words = computed(() => {
    const names = this.solids().map(({ name }) => name);
    const met = this.solids()
      .filter(({ style }) => style === 'met')
      .map(({ name }) => name);
    return `Shown: ${[...new Set(names)].join(', ')}.${met.length ? ` Met in the travel: ${met.join(', ')}.` : ''}`;
  });

  constructor() {
    let gone = false;
    inject(DestroyRef).onDestroy(() => {
      gone = true;
      this.space()?.end();
    });
    afterNextRender(() => {
      void this.open(() => gone);
    });
    effect(() => {
      this.theme.dark();
      this.space()?.show(this.solids());
    });
    effect(() => {
      const y = this.cut();
      this.space()?.section(y >= WIDEST ? 1e6 : y);
    });
  }

  private async open(gone: () => boolean): Promise<void> {
    try {
      const { Space: Opened } = await import('./space');
      if (gone()) return;
      const canvas = this.canvas().nativeElement;
      const space = new Opened(canvas);
      const fit = () => {
        space.size(canvas.clientWidth, canvas.clientHeight);
      };
      new ResizeObserver(fit).observe(canvas);
      fit();
      this.space.set(space);
      this.tell();
    } catch {
      this.trouble.set(
        'This browser cannot draw in space. The drawings from three ways show the same, and what is below tells it in words.',
      );
    }
  }

  protected key(event: KeyboardEvent): void {
    if (!this.space()?.key(event.key)) return;
    event.preventDefault();
    this.tell();
  }

  private tell(): void {
    const where = this.space()?.where();
    if (where) this.from.set(`${where.round}° round the car, ${where.above}° above`);
  }

  protected async save(): Promise<void> {
    const text = await this.space()?.file();
    if (text === undefined) return;
    const link = document.createElement('a');
    link.href = URL.createObjectURL(new Blob([text], { type: 'model/gltf+json' }));
    link.download = 'suspension.gltf';
    link.click();
    URL.revokeObjectURL(link.href);
  }
}
