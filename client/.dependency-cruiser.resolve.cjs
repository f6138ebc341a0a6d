/** Where the client's own alias leads; that of the build is made by SvelteKit, which dependency-cruiser does not run. */
module.exports = { resolve: { alias: { $lib: require('node:path').join(__dirname, 'src/lib') } } };
