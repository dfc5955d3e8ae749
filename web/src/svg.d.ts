declare module '*.svg' {
  /** The drawing as text. */
  const svg: string;
  export default svg;
}
