import { createHash, X509Certificate } from 'node:crypto';
import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { generate } from 'selfsigned';

/** A key and what proves whose it is, as PEM. */
export interface Certificate {
  readonly key: string;
  readonly cert: string;
}

const DAY_MS = 24 * 3600 * 1000;
/** How long a certificate of our own holds; browsers take none that hold longer than about two years. */
const HOLDS_DAYS = 800;
/** One that ends this soon is made anew. */
const RENEW_DAYS = 30;

/** SHA-256 of a certificate as browsers show it. */
export const fingerprintOf = ({ cert }: Certificate): string => new X509Certificate(cert).fingerprint256;

/** Names and addresses a given certificate is for: `bench.local`. */
export function namesOf({ cert }: Certificate): readonly string[] {
  const names = new X509Certificate(cert).subjectAltName ?? '';
  return names.split(', ').flatMap((name) => (name.startsWith('DNS:') ? [name.slice(4).toLowerCase()] : []));
}

/** Reads a certificate that was given by files. @throws Error that says which file, and what would be right */
export async function givenCertificate(certFile: string, keyFile: string): Promise<Certificate> {
  const read = (file: string) =>
    readFile(file, 'utf8').catch(() => {
      throw new Error(`${file} cannot be read.`);
    });
  const [cert, key] = [await read(certFile), await read(keyFile)];
  try {
    fingerprintOf({ cert, key });
  } catch {
    throw new Error(`${certFile} holds no certificate in PEM.`);
  }
  return { cert, key };
}

/** The certificate of our own for an address: the one that was made before, else a new one. */
export async function ownCertificate(folder: string, address: string): Promise<Certificate> {
  const name = createHash('sha256').update(address).digest('hex').slice(0, 12);
  const file = join(folder, 'certificates', `${name}.json`);
  const kept = await keptIn(file);
  if (kept) return kept;
  const made = await generate([{ name: 'commonName', value: `Intervex at ${address}` }], {
    keySize: 2048,
    algorithm: 'sha256',
    notAfterDate: new Date(Date.now() + HOLDS_DAYS * DAY_MS),
    extensions: [
      { name: 'basicConstraints', cA: false },
      { name: 'subjectAltName', altNames: [{ type: 7, ip: address }] },
    ],
  });
  const certificate = { key: made.private, cert: made.cert };
  await mkdir(join(folder, 'certificates'), { recursive: true, mode: 0o700 });
  await writeFile(`${file}.new`, JSON.stringify(certificate), { mode: 0o600 });
  await rename(`${file}.new`, file);
  return certificate;
}

async function keptIn(file: string): Promise<Certificate | undefined> {
  try {
    const kept = JSON.parse(await readFile(file, 'utf8')) as Certificate;
    const ends = Date.parse(new X509Certificate(kept.cert).validTo);
    return ends - Date.now() > RENEW_DAYS * DAY_MS ? kept : undefined;
  } catch {
    return undefined;
  }
}
