/** A browser in which the demo studio was built already, as it is after a first visit. */
export const DEMO_BUILT = '.cache/demo-built.json';
