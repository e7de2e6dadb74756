export default { plugins: { 'postcss-preset-mantine': {} } };
