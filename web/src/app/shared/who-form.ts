import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  inject,
  input,
  linkedSignal,
  output,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { PersonService } from '../state/person.service';

/** Asks who is at the bench. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-who-form',
  imports: [FormsModule, MatButtonModule, MatFormFieldModule, MatInputModule],
  template: `
    <form (ngSubmit)="keep()">
      <p>
        <b>Who is at the bench?</b>
        <span class="second">
          The name stands beside each reading and decision, so that others know whom to ask. It stays in this
          browser.
        </span>
      </p>
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <mat-label>Your name</mat-label>
        <input
          #field
          matInput
          name="person"
          maxlength="60"
          autocomplete="name"
          [ngModel]="name()"
          (ngModelChange)="name.set($event)"
        />
      </mat-form-field>
      <div>
        <button mat-flat-button type="submit">Keep it</button>
        <button mat-button type="button" (click)="leave()">
          {{ person.known() ? 'Leave it' : 'Not now' }}
        </button>
      </div>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 8px 12px;
      align-items: center;
    }
    p {
      flex: 1 1 240px;
      margin: 0;
      font-size: 13px;
    }
    b {
      display: block;
    }
    mat-form-field {
      flex: 1 1 200px;
    }
  `,
})
export class WhoForm {
  protected readonly person = inject(PersonService);
  /** The name can be written at once. */
  readonly ready = input(false);
  readonly done = output();
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');
  protected readonly name = linkedSignal(() => (this.person.known() ? this.person.name() : ''));

  constructor() {
    afterNextRender(() => {
      if (this.ready()) this.field().nativeElement.focus();
    });
  }

  protected keep(): void {
    this.person.rename(this.name());
    this.done.emit();
  }

  protected leave(): void {
    this.name.set(this.person.known() ? this.person.name() : '');
    this.person.asked();
    this.done.emit();
  }
}
