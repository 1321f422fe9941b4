/** The path of a wire between two cards, and where its wording stands. One that leads back runs below the cards. */
export function wirePath(
  sourceX: number,
  sourceY: number,
  targetX: number,
  targetY: number,
): { path: string; x: number; y: number; isBack: boolean } {
  const isBack = targetX < sourceX - 20;
  if (isBack) {
    const low = Math.max(sourceY, targetY) + 110;
    return {
      path: `M${sourceX} ${sourceY} C${sourceX + 90} ${low} ${targetX - 90} ${low} ${targetX} ${targetY}`,
      x: (sourceX + targetX) / 2,
      y: (sourceY + targetY) / 8 + (low * 6) / 8,
      isBack,
    };
  }
  const bend = Math.max(30, (targetX - sourceX) / 2);
  return {
    path: `M${sourceX} ${sourceY} C${sourceX + bend} ${sourceY} ${targetX - bend} ${targetY} ${targetX} ${targetY}`,
    x: (sourceX + targetX) / 2,
    y: (sourceY + targetY) / 2,
    isBack,
  };
}
