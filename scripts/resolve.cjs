// How the dependency checker finds `@/…` of the web app; the type checker and Metro read the same from tsconfig.
module.exports = {
  resolve: {
    alias: { '@': require('node:path').join(__dirname, '../apps/web/src') },
    extensions: ['.ts', '.tsx', '.js'],
  },
};
