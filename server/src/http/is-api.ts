/**
 * True for an address of the interface, however it is written: nothing of it is the page's.
 *
 * @example isApi('/API/projects') // true
 */
export const isApi = (path: string): boolean => /^\/api(\/|$)/i.test(path);
