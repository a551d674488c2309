// Where Paper has each of its names; its own list forgets the two themes.
const paper = require('react-native-paper/lib/mappings.json');

const themes = Object.fromEntries(
  ['Light', 'Dark'].map((at) => [
    `MD3${at}Theme`,
    { path: `lib/module/styles/themes/v3/${at}Theme`, name: `MD3${at}Theme` },
  ]),
);
module.exports = { ...paper, mappings: { ...paper.mappings, ...themes } };
