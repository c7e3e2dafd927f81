/** The browser prints what it shows, or keeps it as a PDF. */
export const printNow = (): void => window.print();
