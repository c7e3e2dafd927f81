declare namespace NodeJS {
  interface ProcessEnv {
    /** Version of the engraver's package, put in at the build (next.config.ts). */
    readonly ENGRAVER_VERSION?: string;
  }
}
