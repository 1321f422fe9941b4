/** Whether this page stands within another one. */
export const isFramed = (): boolean => window.parent !== window;
