/** "A photo was", "3 photos were": the words for one, or the number before the words for more. */
export const counted = (n: number, one: string, more: string): string => (n === 1 ? one : `${n} ${more}`);
