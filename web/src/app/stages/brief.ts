import { Component, computed, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatChipsModule } from '@angular/material/chips';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import {
  DIFFERENTIAL_NAMES,
  DIFFERENTIALS,
  LAUNCH_NAMES,
  LAUNCHES,
  REACTION_NAMES,
  REACTIONS,
  rearView,
  SKILL_NAMES,
  SKILLS,
  TOOL_NAMES,
  TOOLS,
  USE_NAMES,
  USES,
  type Brief,
  type Use,
} from '@intervex/core';
import { ViewSvg } from '../drawing/view-svg';
import { ReadingGroup } from '../readings/reading-group';
import { DraftsService } from '../state/drafts.service';
import { same } from '../state/merge-plans';
import { PlanStore } from '../state/plan-store';
import { Needs } from './needs';
import { Stage } from './stage';
import { TorqueDemand } from './torque-demand';
import { curveText, gearsText, readCurve, readGears, type ReadText } from './brief-text';

/** Characters that names do not take, as the server has it. */
const NOT_IN_NAMES = /[<>;\p{Cc}]/u;

/** Lists that are typed as text. */
type TypedList = 'gears' | 'torqueCurve';

/** Why the swap, for what, and to what width. */
@Component({
  selector: 'ix-brief',
  imports: [
    FormsModule,
    MatFormFieldModule,
    MatInputModule,
    MatSelectModule,
    MatChipsModule,
    Needs,
    ReadingGroup,
    Stage,
    TorqueDemand,
    ViewSvg,
  ],
  templateUrl: './brief.html',
  styleUrls: ['./brief.scss'],
})
export class BriefStage {
  protected readonly store = inject(PlanStore);
  private readonly drafts = inject(DraftsService);
  protected readonly uses = USES.map((id) => ({ id, name: USE_NAMES[id] }));
  protected readonly launches = LAUNCHES.map((id) => ({ id, name: LAUNCH_NAMES[id] }));
  protected readonly reactions = REACTIONS.map((id) => ({ id, name: REACTION_NAMES[id] }));
  protected readonly differentials = DIFFERENTIALS.map((id) => ({ id, name: DIFFERENTIAL_NAMES[id] }));
  protected readonly tools = TOOLS.map((id) => ({ id, name: TOOL_NAMES[id] }));
  protected readonly skills = SKILLS.map((id) => ({ id, name: SKILL_NAMES[id] }));
  /** Texts of lists as they are typed; what they mean stands in the plan. */
  private readonly typing = signal<Readonly<Partial<Record<TypedList, string>>>>({});
  protected readonly gears = computed(() => this.listText('gears', readGears, gearsText));
  protected readonly curve = computed(() => this.listText('torqueCurve', readCurve, curveText));
  protected readonly brief = computed(() => this.store.plan().brief);
  protected readonly view = computed(() => this.store.results().of(rearView));

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

  protected setGears(text: string): void {
    this.setList('gears', text, readGears(text));
  }

  protected setCurve(text: string): void {
    this.setList('torqueCurve', text, readCurve(text));
  }

  protected wrong(key: TypedList): string {
    const draft = this.drafts.get(`brief.${key}`);
    if (draft === undefined) return '';
    const read = key === 'gears' ? readGears(draft) : readCurve(draft);
    return read.ok ? '' : read.reason;
  }

  /** The text as typed while it still means what the plan holds, else the plan's own. */
  private listText<K extends TypedList>(
    key: K,
    read: (text: string) => ReadText<Brief[K]>,
    print: (value: Brief[K]) => string,
  ): string {
    const draft = this.drafts.get(`brief.${key}`);
    if (draft !== undefined) return draft;
    const typed = this.typing()[key];
    const meant = typed === undefined ? undefined : read(typed);
    const held = this.brief()[key];
    return typed !== undefined && meant?.ok && same(meant.value, held) ? typed : print(held);
  }

  private setList<K extends TypedList>(key: K, text: string, read: ReadText<Brief[K]>): void {
    if (!read.ok) {
      this.drafts.keep(`brief.${key}`, text);
      return;
    }
    this.drafts.drop(`brief.${key}`);
    this.typing.update((all) => ({ ...all, [key]: text }));
    this.store.setBrief(key, read.value);
  }

  protected setUse(use: Use): void {
    this.store.setBrief('use', use);
  }

  protected set(key: keyof Brief & ('finishBy' | 'notes'), text: string): void {
    this.store.setBrief(key, text);
  }
}
