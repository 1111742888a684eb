import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { placeName } from '@intervex/core';
import { TEMPLATE_NAMES, TEMPLATES, templates, type TemplateId } from '@intervex/core/desks/brackets';
import { PAPERS, Segments } from '../../shared/segments';
import { JumpService } from '../../state/jump.service';
import { PlanStore } from '../../state/plan-store';
import { UnitsService } from '../../state/units.service';

/** Templates in full size: on paper, tiled where it is too small, or as open drawings. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-templates-desk',
  imports: [MatButtonModule, Segments],
  template: `
    <ix-segments label="Paper" [options]="papers" [value]="paper()" (picked)="paper.set($any($event))" />
    @for (t of all(); track t.id) {
      <section>
        <h2>{{ t.name }}</h2>
        @if (t.lacks.length) {
          <p class="second">
            Missing:
            @for (l of t.lacks; track l.id; let last = $last) {
              <button type="button" class="plain link" (click)="jumps.to(l.id)">{{ l.name }}</button>
              {{ last ? '' : ', ' }}
            }
          </p>
        } @else {
          <p class="second">{{ t.said }}</p>
          <p class="files">
            <a mat-stroked-button [href]="file(t.id, 'pdf')" target="_blank" rel="noopener">Paper, 1 : 1</a>
            <a mat-stroked-button [href]="file(t.id, 'dxf')">DXF</a>
            <a mat-stroked-button [href]="file(t.id, 'svg')">SVG</a>
          </p>
        }
      </section>
    }
    <p class="text second">
      Every template carries a ruler: measure it before anything is scribed, and print without fitting to the
      page.
    </p>
  `,
  styles: `
    h2 {
      margin: 12px 0 2px;
      font-size: 15px;
    }
    p {
      margin: 2px 0 6px;
    }
    .files {
      display: flex;
      flex-wrap: wrap;
      gap: 8px;
    }
  `,
})
export class TemplatesDesk {
  private readonly store = inject(PlanStore);
  private readonly units = inject(UnitsService);
  protected readonly jumps = inject(JumpService);
  protected readonly papers = PAPERS;
  protected readonly paper = signal<'a4' | 'letter'>('a4');
  protected readonly all = computed(() =>
    TEMPLATES.map((id) => {
      const { said, lacks } = this.store.results().of(templates[id]);
      return { id, name: TEMPLATE_NAMES[id], said, lacks: lacks.map((l) => ({ id: l, name: placeName(l) })) };
    }),
  );

  protected file(name: TemplateId, kind: 'dxf' | 'svg' | 'pdf'): string {
    const query = `?units=${this.units.unit()}${kind === 'pdf' ? `&paper=${this.paper()}` : ''}`;
    return `/api/variants/${this.store.variant()?.id ?? ''}/shapes/${name}.${kind}${query}`;
  }
}
