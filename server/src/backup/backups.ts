import type { BackupView } from '@intervex/contract';
import { createWriteStream } from 'node:fs';
import { mkdir, open, readdir, rename, rm, stat, statfs } from 'node:fs/promises';
import { join } from 'node:path';
import type { Logger } from 'pino';
import type { Pool } from '../db/pool';
import { writeBackup } from './write';

/** Ending of the file. */
const ENDING = '.intervex-backup';
const NAME = /^intervex-(\d{4}-\d{2}-\d{2})T(\d{2})(\d{2})(\d{2})(-daily)?\.intervex-backup$/;
/** How many of those made by itself are kept. */
const KEPT = 14;
const DAY_MS = 24 * 3600 * 1000;
/** How often it is looked whether a day has passed, ms. */
const LOOK_EVERY_MS = 15 * 60 * 1000;

/** Backups in the data folder: made on demand, and every day by itself. */
export class Backups {
  /** Why the last one was not made. */
  trouble = '';
  private timer: NodeJS.Timeout | undefined;
  private making: Promise<BackupView> | undefined;

  constructor(
    private readonly pool: Pool,
    /** Where they lie. */
    readonly folder: string,
    private readonly log: Logger,
  ) {}

  /** Makes one a day from now on, the first one at once where there is none of today. */
  begin(): void {
    void this.daily();
    this.timer = setInterval(() => void this.daily(), LOOK_EVERY_MS);
    this.timer.unref();
  }

  end(): void {
    clearInterval(this.timer);
  }

  /** Newest first. */
  async list(): Promise<readonly BackupView[]> {
    const names = await readdir(this.folder).catch(() => []);
    const found: BackupView[] = [];
    for (const file of names) {
      const part = NAME.exec(file);
      if (!part) continue;
      // One that is too old may go while they are looked through.
      const there = await stat(join(this.folder, file)).catch(gone);
      if (!there) continue;
      found.push({
        file,
        at: `${part[1]}T${part[2]}:${part[3]}:${part[4]}Z`,
        size: there.size,
        daily: part[5] !== undefined,
      });
    }
    return found.sort((a, b) => b.file.localeCompare(a.file));
  }

  /** Place of a backup by its name; nothing for what is none. */
  pathOf(file: string): string | undefined {
    return NAME.test(file) ? join(this.folder, file) : undefined;
  }

  /** Bytes free where they lie. */
  async free(): Promise<number> {
    await mkdir(this.folder, { recursive: true }).catch(() => undefined);
    const at = await statfs(this.folder).catch(() => undefined);
    return at ? at.bavail * at.bsize : 0;
  }

  /** Makes one now. Who asks while one is made gets that one. */
  make(daily = false): Promise<BackupView> {
    this.making ??= this.write(daily).finally(() => {
      this.making = undefined;
    });
    return this.making;
  }

  private async daily(): Promise<void> {
    try {
      const [newest] = (await this.list()).filter((b) => b.daily && isPast(b.at));
      if (newest && Date.now() - Date.parse(newest.at) < DAY_MS) return;
      await this.make(true);
      const old = (await this.list()).filter((b) => b.daily && isPast(b.at)).slice(KEPT);
      for (const { file } of old) await rm(join(this.folder, file), { force: true });
      this.trouble = '';
    } catch (error) {
      this.trouble = sentence(error);
      this.log.error({ err: error }, 'the daily backup was not made');
    }
  }

  private async write(daily: boolean): Promise<BackupView> {
    const now = new Date();
    const stamp = now.toISOString().slice(0, 19).replaceAll(':', '');
    const file = `intervex-${stamp}${daily ? '-daily' : ''}${ENDING}`;
    const path = join(this.folder, file);
    await mkdir(this.folder, { recursive: true, mode: 0o700 });
    const part = `${path}.part`;
    try {
      await writeBackup(this.pool, createWriteStream(part, { mode: 0o600 }), now);
      const handle = await open(part, 'r+');
      await handle.sync().finally(() => handle.close());
      await rename(part, path);
    } catch (error) {
      await rm(part, { force: true });
      throw error;
    }
    const { size } = await stat(path);
    return { file, at: `${now.toISOString().slice(0, 19)}Z`, size, daily };
  }
}

/** False for a day that is still to come, or is none: made while a clock stood wrong, it says nothing of today. */
const isPast = (at: string): boolean => Date.parse(at) <= Date.now();

/** Nothing where a file is no more. @throws the error where it is another */
function gone(error: unknown): undefined {
  if (error instanceof Error && 'code' in error && error.code === 'ENOENT') return undefined;
  throw error;
}

/** Why a backup could not be made, in words. */
export function sentence(error: unknown): string {
  const code = error instanceof Error && 'code' in error ? error.code : '';
  if (code === 'ENOSPC') return 'The disk is full.';
  if (code === 'EACCES' || code === 'EROFS' || code === 'EPERM') return 'Its folder may not be written.';
  return 'It was cut off.';
}
