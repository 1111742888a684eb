import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type {
  AuditEntry,
  BackupView,
  DataView,
  GuestLink,
  GuestView,
  PairCode,
  PersonView,
  PhotoView,
  RemovedView,
  RestoreView,
  SessionView,
  ShareView,
} from '@intervex/contract/wire';
import { firstValueFrom, type Observable } from 'rxjs';
import { MeService } from './me.service';

/** A person as he is added or changed. */
interface PersonChange {
  readonly name?: string;
  readonly role?: PersonView['role'];
  readonly password?: string;
}

/** Said where it is meant that those come back who were ended here. */
interface RestoreMeant {
  readonly revives?: 'yes';
}

/** The house as a whole: its data, who may come in, and by which door. What the server refuses is thrown as it came. */
@Injectable({ providedIn: 'root' })
export class HouseService {
  private readonly http = inject(HttpClient);
  private readonly me = inject(MeService);

  data = () => this.get<DataView>('/api/data');
  removed = () => this.get<readonly RemovedView[]>('/api/removed');
  photos = (before?: string) =>
    this.get<readonly PhotoView[]>(`/api/photos?limit=24${before === undefined ? '' : `&before=${before}`}`);
  removePhoto = (id: string) => this.delete(`/api/photos/${id}`);
  bringBack = (id: string) => this.post(`/api/removed/${id}/bring-back`);
  backup = () => this.post<BackupView>('/api/backups');
  restore = (file: Blob, meant: RestoreMeant = {}) =>
    once(
      this.http.post<RestoreView>('/api/restore', file, {
        params: { sure: 'restore', ...meant },
        headers: { 'Content-Type': 'application/octet-stream' },
      }),
    );
  bringBackAside = (aside: string, meant: RestoreMeant = {}) =>
    once(
      this.http.post<{ aside: string }>('/api/restore', {}, { params: { sure: 'restore', aside, ...meant } }),
    );

  share = () => this.get<ShareView>('/api/share');
  async setShare(to: {
    on: boolean;
    address?: string;
    tls?: ShareView['tls'];
    owner?: string;
  }): Promise<ShareView> {
    const view = await once(this.http.put<ShareView>('/api/share', to));
    await this.me.renew();
    return view;
  }

  people = () => this.get<readonly PersonView[]>('/api/people');
  addPerson = (person: PersonChange) => this.post<{ id: string }>('/api/people', person);
  changePerson = (id: string, to: PersonChange) => once(this.http.patch(`/api/people/${id}`, to));
  removePerson = (id: string) => this.delete(`/api/people/${id}`);
  endAll = (id: string) => this.post(`/api/people/${id}/end-all`);
  pairCode = (id: string) => this.post<PairCode>(`/api/people/${id}/pair-code`);
  endDevice = (id: string) => this.delete(`/api/devices/${id}`);
  sessions = () => this.get<readonly SessionView[]>('/api/sessions');
  endSession = (id: string) => this.delete(`/api/sessions/${id}`);
  guests = () => this.get<readonly GuestView[]>('/api/guests');
  addGuest = (variant: string, name: string, days: number) =>
    this.post<GuestLink>('/api/guests', { variant, name, days });
  withdraw = (id: string) => this.delete(`/api/guests/${id}`);
  audit = (before?: number) =>
    this.get<readonly AuditEntry[]>(`/api/audit?limit=60${before === undefined ? '' : `&before=${before}`}`);

  login = (by: { name: string; password: string } | { pin: string }) => this.comesIn('/api/login', by);
  pair = (code: string, pin: string, device: string) => this.comesIn('/api/pair', { code, pin, device });
  enterAsGuest = (token: string) => this.comesIn('/api/guest', { token });
  logout = () => this.comesIn('/api/logout', {});

  private async comesIn(path: string, body: object): Promise<void> {
    await once(this.http.post(path, body));
    await this.me.renew();
  }

  private get<T>(path: string): Promise<T> {
    return once(this.http.get<T>(path));
  }

  private post<T = unknown>(path: string, body: object = {}): Promise<T> {
    return once(this.http.post<T>(path, body));
  }

  private delete(path: string): Promise<unknown> {
    return once(this.http.delete(path));
  }
}

const once = <T>(asked: Observable<T>): Promise<T> => firstValueFrom(asked);
