module.exports = (api) => {
  api.cache(true);
  const paper = ['react-native-paper/babel', { mappings: require.resolve('./paperNames.cjs') }];
  return {
    presets: ['babel-preset-expo'],
    // What is shipped has only what it uses; the tests read the same code without this.
    env: { production: { plugins: [paper, './straightToFile.cjs'] } },
  };
};
