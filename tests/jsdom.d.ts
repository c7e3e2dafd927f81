/** What of jsdom is used: a page whose scripts run. */
declare module 'jsdom' {
  export class JSDOM {
    constructor(html: string, options?: { readonly runScripts?: 'dangerously' });
    readonly window: Window & typeof globalThis;
  }
}
