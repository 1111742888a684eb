import { ChangeDetectionStrategy, Component, computed, inject, input, model, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { Router, RouterLink } from '@angular/router';
import type { ProjectSummary } from '@intervex/contract/wire';
import { ProjectsService } from '../state/projects.service';
import { Rename } from './rename';

/** What is being done to a variant in the list. */
export type VariantTask = 'rename' | 'another' | 'remove';

/** One way of doing a car: opened, renamed, begun for another donor, taken off the list. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-variant-line',
  imports: [MatButtonModule, MatIconModule, Rename, RouterLink],
  template: `
    @if (task() === 'rename') {
      <ix-rename [name]="variant().name" (given)="rename($event)" (left)="task.set(undefined)" />
    } @else {
      <a [routerLink]="['/plan', variant().id]">{{ variant().name }}</a>
      <button mat-icon-button type="button" [attr.aria-label]="'Rename ' + of()" (click)="task.set('rename')">
        <mat-icon svgIcon="rename" />
      </button>
    }
    <span class="second">revision {{ variant().revision }}, {{ saved() }}</span>
    <span class="does">
      <button
        type="button"
        class="plain link"
        [attr.aria-label]="'Another donor, from ' + of()"
        (click)="task.set('another')"
      >
        Another donor
      </button>
      @if (!only()) {
        <button mat-icon-button type="button" [attr.aria-label]="'Remove ' + of()" (click)="task.set('remove')">
          <mat-icon svgIcon="remove" />
        </button>
      }
    </span>
    @switch (task()) {
      @case ('another') {
        <div class="asks">
          <p class="second">
            Begins another variant: the car, its wheels and the brief as in {{ variant().name }}, nothing of its
            donor and no verdict on it. {{ variant().name }} stays as it is.
          </p>
          <ix-rename
            label="Name of the other donor"
            does="Begin"
            (given)="begin($event)"
            (left)="task.set(undefined)"
          />
        </div>
      }
      @case ('remove') {
        <span class="asks" role="alert">
          Take {{ variant().name }} off this list?
          <button mat-button type="button" (click)="remove()">Yes, remove</button>
          <button mat-button type="button" (click)="task.set(undefined)">No</button>
        </span>
      }
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 4px 8px;
      align-items: center;
      min-height: 40px;
    }
    a {
      color: var(--dye);
      font-weight: 600;
      overflow-wrap: anywhere;
    }
    .mat-icon {
      width: 18px;
      height: 18px;
    }
    .second,
    .does,
    .asks {
      font-size: 13px;
    }
    .does {
      display: flex;
      gap: 4px;
      align-items: center;
      margin-left: auto;
    }
    .asks {
      flex: 1 0 100%;
      padding-bottom: 8px;
    }
    p {
      margin: 0 0 8px;
    }
    @media (max-width: 760px) {
      a {
        flex: 1 0 calc(100% - 60px);
      }
    }
  `,
})
export class VariantLine {
  private readonly service = inject(ProjectsService);
  private readonly router = inject(Router);
  readonly project = input.required<ProjectSummary>();
  readonly variant = input.required<ProjectSummary['variants'][number]>();
  protected readonly saved = computed(() =>
    new Date(this.variant().savedAt).toLocaleString('en-GB', {
      dateStyle: 'medium',
      timeStyle: 'short',
      hour12: false,
    }),
  );
  readonly task = model<VariantTask>();
  /** Work of which the list has to be read again, or that was refused. */
  readonly asked = output<() => Promise<void>>();

  /** The only one of its project stays: the project can go. */
  protected readonly only = computed(() => this.project().variants.length === 1);
  protected readonly of = computed(() => `${this.variant().name} of ${this.project().name}`);

  protected rename(name: string): void {
    this.asked.emit(() => this.service.renameVariant(this.variant().id, name));
  }

  protected remove(): void {
    this.asked.emit(() => this.service.removeVariant(this.variant().id));
  }

  protected begin(donor: string): void {
    this.asked.emit(async () => {
      const made = await this.service.forDonor(this.variant().id, donor);
      await this.router.navigate(['/plan', made.id, 'start']);
    });
  }
}
