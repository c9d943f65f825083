/** A font file: what the bundler makes of it names where it is served from. */
declare module '*.woff2' {
  import type { FontSource } from 'expo-font';

  const source: FontSource;
  export default source;
}
