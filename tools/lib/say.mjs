/** Prints one line for the person who started this. */
export const say = (/** @type {string} */ text) => process.stdout.write(`${text}\n`);
