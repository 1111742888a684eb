import { Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import { rearView, USE_NAMES, USES, type Brief, type Use } from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { ReadingField } from '../readings/reading-field';
import { DraftsService } from '../state/drafts.service';
import { PlanStore } from '../state/plan-store';
import { Needs } from './needs';
import { Stage } from './stage';

/** Characters that names do not take, as the server has it. */
const NOT_IN_NAMES = /[<>;\p{Cc}]/u;

/** Why the swap, for what, and to what width. */
@Component({
  selector: 'ix-brief',
  imports: [
    FormsModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    Needs,
    ReadingField,
    Stage,
    ViewSvg,
  ],
  templateUrl: './brief.html',
  styleUrls: ['./brief.scss'],
})
export class BriefStage {
  protected readonly store = inject(PlanStore);
  private readonly drafts = inject(DraftsService);
  protected readonly uses = USES.map((id) => ({ id, name: USE_NAMES[id] }));
  protected readonly brief = computed(() => this.store.plan().brief);
  protected readonly view = computed(() => rearView(this.store.results(), this.store.plan().choices));

  /** The text as typed, kept where it was refused. */
  protected text(key: 'vehicle' | 'donor'): string {
    return this.drafts.get(`brief.${key}`) ?? this.brief()[key];
  }

  protected problem(key: 'vehicle' | 'donor'): string {
    const draft = this.drafts.get(`brief.${key}`);
    return draft === undefined ? '' : 'Letters, figures and usual signs only, at most 80; no < > or ;';
  }

  protected setName(key: 'vehicle' | 'donor', text: string): void {
    if (NOT_IN_NAMES.test(text) || text.length > 80) this.drafts.keep(`brief.${key}`, text);
    else {
      this.drafts.drop(`brief.${key}`);
      this.store.setBrief(key, text);
    }
  }

  protected setUse(use: Use): void {
    this.store.setBrief('use', use);
  }

  protected set(key: keyof Brief & ('finishBy' | 'notes'), text: string): void {
    this.store.setBrief(key, text);
  }
}
