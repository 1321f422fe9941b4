/** The wording of a wire on the map, in map units. */
export const LABEL = { height: 20, widest: 150, padding: 8, size: 11.5 } as const;
