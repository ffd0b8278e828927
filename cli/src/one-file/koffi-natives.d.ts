/** What the bundler puts in: by system, by koffi's own name of it, gzip in base64. */
declare module 'koffi-natives' {
  const natives: Readonly<Record<string, Readonly<Record<string, string>>>>;
  export default natives;
}
