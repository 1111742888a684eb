import { ChangeDetectionStrategy, Component, inject, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { ActivatedRoute, Router, type ParamMap } from '@angular/router';
import { debounceTime, Subject } from 'rxjs';
import type { Problem, ProjectSummary } from '@intervex/contract/wire';
import { ProjectsService } from '../state/projects.service';
import { refusalOf, sentenceOf } from '../state/refusals';
import { PersonService } from '../state/person.service';
import { PlainTop } from '../shared/plain-top';
import { WhoForm } from '../shared/who-form';
import { Rename } from './rename';
import { VariantLine, type VariantTask } from './variant-line';

/** Largest plan file that is read; the server takes no more either. */
const MAX_FILE_BYTES = 1_000_000;

/** Projects of one page; most that are read at once; quiet time after a letter, ms. */
const PAGE = 150;
const MOST = 200;
const QUIET_MS = 200;

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
    PlainTop,
    VariantLine,
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
  protected readonly PAGE = PAGE;
  protected readonly projects = signal<readonly ProjectSummary[] | undefined>(undefined);
  /** What is looked for; how many projects fit it, of how many. */
  protected readonly find = signal('');
  protected readonly found = signal(0);
  protected readonly of = signal(0);
  private readonly typed = new Subject<string>();
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
    this.typed.pipe(debounceTime(QUIET_MS), takeUntilDestroyed()).subscribe((words) => {
      void this.search(words);
    });
  }

  protected async load(): Promise<void> {
    await this.attempt(() => this.read());
  }

  protected searchSoon(words: string): void {
    this.typed.next(words);
  }

  protected async search(words: string): Promise<void> {
    if (words.trim() === this.find()) return;
    this.find.set(words.trim());
    await this.load();
  }

  /** The next page, below those that are shown. */
  protected async further(): Promise<void> {
    await this.attempt(async () => {
      const shown = this.projects() ?? [];
      const { projects } = await this.service.page(this.find(), shown.length, PAGE);
      this.projects.set([...shown, ...projects]);
    });
  }

  /** Reads as many as are shown anew, at least a page. */
  private async read(): Promise<void> {
    const find = this.find();
    const limit = Math.min(MOST, Math.max(PAGE, this.projects()?.length ?? 0));
    const { found, of, projects } = await this.service.page(find, 0, limit);
    // An answer that comes after the words were changed is none to them.
    if (find !== this.find()) return;
    this.found.set(found);
    this.of.set(of);
    this.projects.set(projects);
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
      await this.read();
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
      await this.read();
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
