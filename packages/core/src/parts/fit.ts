/** How a picture is laid into its box. */
export const FITS = ['contain', 'cover', 'stretch'] as const;
export type Fit = (typeof FITS)[number];
