/** Channel on which server processes hear what happens; migrations write it too. */
export const CHANNEL = 'intervex_live';
