declare module '*.woff2' {
  const address: string;
  export default address;
}
