import { DatePipe } from '@angular/common';
import { Component, inject, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { MatButtonModule } from '@angular/material/button';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import { Router, RouterLink } from '@angular/router';
import type { Problem, ProjectSummary } from '@intervex/contract/wire';
import { firstValueFrom } from 'rxjs';
import { ApiService, refusalOf, sentenceOf } from '../state/api.service';
import { PersonService } from '../state/person.service';
import { Rename } from './rename';

/** Largest plan file that is read; the server takes no more either. */
const MAX_FILE_BYTES = 1_000_000;

/** All cars and the ways of doing them; a new one, or one from a file. */
@Component({
  selector: 'ix-projects',
  imports: [
    DatePipe,
    FormsModule,
    MatButtonModule,
    MatFormFieldModule,
    MatIconModule,
    MatInputModule,
    Rename,
    RouterLink,
  ],
  templateUrl: './projects-page.html',
  styleUrl: './projects-page.scss',
})
export class ProjectsPage {
  private readonly api = inject(ApiService);
  private readonly router = inject(Router);
  protected readonly person = inject(PersonService);
  protected readonly projects = signal<readonly ProjectSummary[] | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly problems = signal<readonly Problem[]>([]);
  protected readonly name = signal('');
  protected readonly variant = signal('First way');
  protected readonly removing = signal('');
  /** Id of the project or variant whose name is being written. */
  protected readonly renaming = signal('');

  constructor() {
    void this.load();
  }

  protected async load(): Promise<void> {
    await this.attempt(async () => {
      this.projects.set(await firstValueFrom(this.api.projects()));
    });
  }

  protected async create(): Promise<void> {
    const name = this.name().trim();
    if (!name) {
      this.trouble.set('Give the project a name, such as the car it is for.');
      return;
    }
    await this.attempt(async () => {
      const made = await firstValueFrom(
        this.api.createProject(name, this.variant().trim() || 'First way', this.person.name()),
      );
      await this.router.navigate(['/plan', made.id, 'brief']);
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
      const made = await firstValueFrom(this.api.importPlan(text, this.person.name()));
      await this.router.navigate(['/plan', made.id, 'cut']);
    });
  }

  protected async remove(project: ProjectSummary): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.removeProject(project.id));
      this.removing.set('');
      await this.load();
    });
  }

  protected async rename(id: string, name: string): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.renameProject(id, name));
      await this.renamed();
    });
  }

  protected async renameVariant(id: string, name: string): Promise<void> {
    await this.attempt(async () => {
      await firstValueFrom(this.api.renameVariant(id, name));
      await this.renamed();
    });
  }

  private async renamed(): Promise<void> {
    this.renaming.set('');
    this.projects.set(await firstValueFrom(this.api.projects()));
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
