import {
  afterNextRender,
  ChangeDetectionStrategy,
  Component,
  type ElementRef,
  input,
  linkedSignal,
  output,
  viewChild,
} from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';

/** A name being written, anew or for the first time. Enter gives it, Escape leaves the old one. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-rename',
  imports: [FormsModule, MatButtonModule, MatFormFieldModule, MatInputModule],
  template: `
    <form (ngSubmit)="give()" (keydown.escape)="left.emit()">
      <mat-form-field appearance="outline" subscriptSizing="dynamic">
        <mat-label>{{ label() }}</mat-label>
        <input
          #field
          matInput
          name="text"
          maxlength="80"
          autocomplete="off"
          [ngModel]="text()"
          (ngModelChange)="text.set($event)"
        />
      </mat-form-field>
      <button mat-flat-button type="submit">{{ does() }}</button>
      <button mat-button type="button" (click)="left.emit()">Leave it</button>
    </form>
  `,
  styles: `
    form {
      display: flex;
      flex-wrap: wrap;
      gap: 6px;
      align-items: center;
    }
  `,
})
export class Rename {
  readonly name = input('');
  readonly label = input('New name');
  readonly does = input('Rename');
  readonly given = output<string>();
  readonly left = output();
  protected readonly text = linkedSignal(() => this.name());
  private readonly field = viewChild.required<ElementRef<HTMLInputElement>>('field');

  constructor() {
    afterNextRender(() => {
      this.field().nativeElement.select();
    });
  }

  protected give(): void {
    const name = this.text().trim();
    if (name && name !== this.name()) this.given.emit(name);
    else this.left.emit();
  }
}
