import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { registerLaterIcons } from './icons-later';
import { PhotosService } from '../state/photos.service';

/** Photos of one place: small pictures with what they show, and a button for another. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-photos',
  imports: [MatIconModule],
  template: `
    @for (p of photos(); track p.id) {
      <figure>
        <a [href]="'/api/photos/' + p.id" target="_blank" rel="noopener">
          <img
            [src]="'/api/photos/' + p.id + '/thumb'"
            [alt]="p.caption || 'Photo by ' + p.who"
            height="64"
            loading="lazy"
          />
        </a>
        <figcaption>
          <input
            #caption
            type="text"
            maxlength="200"
            placeholder="what it shows"
            aria-label="What the photo shows"
            [value]="p.caption"
            (change)="service.caption(p, caption.value)"
          />
          <button type="button" class="plain" (click)="service.remove(p.id)" aria-label="Take the photo out">
            <mat-icon svgIcon="close" />
          </button>
        </figcaption>
      </figure>
    }
    <button type="button" class="plain add" [disabled]="busy()" (click)="file.click()">
      <mat-icon svgIcon="photo" />
      {{ busy() ? 'Keeping the photo…' : 'Photo' }}
    </button>
    @if (busy()) {
      <button type="button" class="plain add" (click)="service.stop(place())">Stop</button>
    }
    <input
      #file
      type="file"
      class="hidden"
      accept="image/jpeg,image/png,image/webp"
      capture="environment"
      tabindex="-1"
      [attr.aria-label]="'Photo for ' + (label() || place())"
      (change)="take(file)"
    />
    @if (trouble(); as why) {
      <p role="alert">{{ why }}</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 6px 8px;
      align-items: end;
    }
    figure {
      margin: 0;
    }
    img {
      display: block;
      min-width: 48px;
      max-width: 112px;
      height: 64px;
      border: 1px solid var(--rule);
      background: var(--field);
      object-fit: cover;
    }
    figcaption {
      display: flex;
      max-width: 112px;
    }
    figcaption input {
      width: 84px;
      min-width: 0;
      flex: 1;
      border: 0;
      border-bottom: 1px solid var(--rule);
      background: none;
      color: var(--ink);
      font: 400 12px var(--words);
    }
    figcaption input::placeholder {
      color: var(--ink-2);
      opacity: 1;
    }
    button.plain {
      min-height: 24px;
    }
    .add {
      display: inline-flex;
      gap: 4px;
      align-items: center;
      color: var(--dye);
      font-weight: 600;
    }
    mat-icon {
      width: 16px;
      height: 16px;
    }
    p {
      flex-basis: 100%;
      margin: 0;
      color: var(--red);
      font-size: 12px;
    }
  `,
})
export class PhotoList {
  protected readonly service = inject(PhotosService);
  /** Quantity, fact, `donor`, or `check.` and a check’s id. */
  readonly place = input.required<string>();
  readonly label = input('');
  protected readonly photos = computed(() => this.service.at(this.place()));
  protected readonly busy = computed(() => this.service.busy().has(this.place()));
  protected readonly trouble = signal('');

  constructor() {
    registerLaterIcons();
  }

  protected async take(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (file) this.trouble.set(await this.service.add(this.place(), file));
  }
}
