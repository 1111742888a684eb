import { inject, Injectable } from '@angular/core';
import type { ProjectReadings, ProjectSummary, RevisionView, VariantView } from '@intervex/contract/wire';
import { planForDonor, type Plan } from '@intervex/core';
import { firstValueFrom, type Observable } from 'rxjs';
import { ApiService } from './api.service';
import { PersonService } from './person.service';

/** Longest name of a project or variant. */
const LONGEST = 80;

/** Cars, and the ways of doing each. What the server refuses is thrown as it came. */
@Injectable({ providedIn: 'root' })
export class ProjectsService {
  private readonly api = inject(ApiService);
  private readonly person = inject(PersonService);

  all(): Promise<readonly ProjectSummary[]> {
    return firstValueFrom(this.api.projects());
  }

  /** A page of the projects in which every word occurs. */
  page(
    find: string,
    from: number,
    limit: number,
  ): Promise<{ readonly found: number; readonly of: number; readonly projects: readonly ProjectSummary[] }> {
    return firstValueFrom(this.api.projectPage(find, from, limit));
  }

  create(name: string, variant: string): Promise<VariantView> {
    return firstValueFrom(this.api.createProject(name, variant, this.person.name()));
  }

  /** Makes a project of a plan file. */
  read(file: string): Promise<VariantView> {
    return firstValueFrom(this.api.importPlan(file, this.person.name()));
  }

  async remove(project: string): Promise<void> {
    await firstValueFrom(this.api.removeProject(project));
  }

  async rename(project: string, name: string): Promise<void> {
    await firstValueFrom(this.api.renameProject(project, name));
  }

  async renameVariant(variant: string, name: string): Promise<void> {
    await firstValueFrom(this.api.renameVariant(variant, name));
  }

  /** All ways of a project with their plans. */
  variants(project: string): Promise<readonly VariantView[]> {
    return firstValueFrom(this.api.variants(project));
  }

  /** Another way that begins as a saved one stands, or with a plan made of that. */
  copy(of: string, name: string, plan?: Plan): Promise<VariantView> {
    return firstValueFrom(this.api.copyVariant(of, name.slice(0, LONGEST), this.person.name(), plan));
  }

  /** Another way of the same car with another donor: nothing of the old one, and no verdict on it. */
  async forDonor(of: string, donor: string): Promise<VariantView> {
    const { plan } = await firstValueFrom(this.api.variant(of));
    return this.copy(of, donor, planForDonor(plan, donor));
  }

  async removeVariant(variant: string): Promise<void> {
    await firstValueFrom(this.api.removeVariant(variant));
  }

  /** Who changed a variant, and what, newest first: the newest, or those before a revision. */
  history(variant: string, before?: number, limit = 200): Promise<readonly RevisionView[]> {
    return firstValueFrom(this.api.history(variant, before, limit));
  }

  /** A variant’s plan as it stood at a revision. */
  async planAt(variant: string, revision: number): Promise<Plan> {
    return (await firstValueFrom(this.api.planAt(variant, revision))).plan;
  }

  /** A page of all readings of a project in which every word occurs. */
  readings(project: string, find: string, from: number, limit: number): Observable<ProjectReadings> {
    return this.api.projectReadings(project, find, from, limit);
  }

  /** Takes a table of readings into a variant. */
  importReadings(variant: string, table: Blob): Promise<VariantView> {
    return firstValueFrom(this.api.importReadings(variant, table, this.person.name()));
  }
}
