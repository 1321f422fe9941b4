/** The sides of a theme, to choose from. */
export const SIDE_OPTIONS = [
  { value: 'light', label: 'Light' },
  { value: 'dark', label: 'Dark' },
] as const;
