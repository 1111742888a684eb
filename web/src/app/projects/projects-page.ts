import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { ActivatedRoute, Router, RouterLink, type ParamMap } from '@angular/router';
import type { Problem, ProjectSummary } from '@intervex/contract/wire';
import { ProjectsService } from '../state/projects.service';
import { refusalOf, sentenceOf } from '../state/refusals';
import { PersonService } from '../state/person.service';
import { Who } from '../shared/who';
import { WhoForm } from '../shared/who-form';
import { Rename } from './rename';
import { VariantLine, type VariantTask } from './variant-line';

/** Largest plan file that is read; the server takes no more either. */
const MAX_FILE_BYTES = 1_000_000;

const TASKS: readonly string[] = ['rename', 'another', 'remove'] satisfies readonly VariantTask[];

function taskIn(query: ParamMap): { readonly variant: string; readonly todo: VariantTask } | undefined {
  const [variant, todo] = [query.get('variant'), query.get('todo')];
  return variant && todo && TASKS.includes(todo) ? { variant, todo: todo as VariantTask } : undefined;
}

/** All cars and the ways of doing them; a new one, or one from a file. */
@Component({
  changeDetection: ChangeDetectionStrategy.OnPush,
  selector: 'ix-projects',
  imports: [
    FormsModule,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    Rename,
    RouterLink,
    VariantLine,
    Who,
    WhoForm,
  ],
  templateUrl: './projects-page.html',
  styleUrl: './projects-page.scss',
})
export class ProjectsPage {
  private readonly service = inject(ProjectsService);
  private readonly router = inject(Router);
  protected readonly person = inject(PersonService);
  private readonly asked = inject(ActivatedRoute).snapshot.queryParamMap;
  protected readonly projects = signal<readonly ProjectSummary[] | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly problems = signal<readonly Problem[]>([]);
  protected readonly name = signal('');
  protected readonly variant = signal('First way');
  protected readonly removing = signal('');
  /** Id of the project whose name is being written. */
  protected readonly renaming = signal('');
  /** What is being done to which variant; an open plan leads here with it. */
  protected readonly task = signal(taskIn(this.asked));

  constructor() {
    void this.load();
  }

  protected async load(): Promise<void> {
    await this.attempt(async () => {
      this.projects.set(await this.service.all());
    });
  }

  protected async create(): Promise<void> {
    const name = this.name().trim();
    if (!name) {
      this.trouble.set('Give the project a name, such as the car it is for.');
      return;
    }
    await this.attempt(async () => {
      const made = await this.service.create(name, this.variant().trim() || 'First way');
      await this.router.navigate(['/plan', made.id, 'start']);
    });
  }

  protected async take(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    if (file.size > MAX_FILE_BYTES) {
      this.trouble.set(
        `${file.name} is ${(file.size / 1e6).toFixed(1)} MB. A plan file has at most 1 MB; is this the right file?`,
      );
      this.problems.set([]);
      return;
    }
    const text = await file.text();
    await this.attempt(async () => {
      const made = await this.service.read(text);
      await this.router.navigate(['/plan', made.id]);
    });
  }

  protected async remove(project: ProjectSummary): Promise<void> {
    await this.attempt(async () => {
      await this.service.remove(project.id);
      this.removing.set('');
      this.projects.set(await this.service.all());
    });
  }

  protected async rename(id: string, name: string): Promise<void> {
    await this.renew(() => this.service.rename(id, name));
  }

  protected taskOf(variant: string): VariantTask | undefined {
    const task = this.task();
    return task?.variant === variant ? task.todo : undefined;
  }

  /** Does what changes the list, and reads it again. */
  protected async renew(work: () => Promise<void>): Promise<void> {
    await this.attempt(async () => {
      await work();
      this.renaming.set('');
      this.task.set(undefined);
      this.projects.set(await this.service.all());
    });
  }

  private async attempt(work: () => Promise<void>): Promise<void> {
    this.trouble.set('');
    this.problems.set([]);
    try {
      await work();
    } catch (error) {
      const refusal = refusalOf(error);
      this.problems.set(refusal?.problems ?? []);
      this.trouble.set(refusal ? refusal.message : sentenceOf(error));
    }
  }
}
