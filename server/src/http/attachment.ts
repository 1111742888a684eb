/**
 * Value of a Content-Disposition header for a download, with a plain and a UTF-8 file name.
 *
 * @example attachment('Tern.pdf') // attachment; filename="Tern.pdf"; filename*=UTF-8''Tern.pdf
 */
export function attachment(name: string): string {
  const plain = name.replace(/[^\w .()-]+/g, '-');
  return `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(name).replace(/['()*]/g, (c) => `%${c.charCodeAt(0).toString(16)}`)}`;
}
