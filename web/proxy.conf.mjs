/** While the page is served as it is saved, its questions go on to the server. */
export default { '/api': { target: process.env.INTERVEX_SERVER, changeOrigin: false } };
