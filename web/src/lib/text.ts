/** As a sentence begins. */
export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** "1 piece", "2 pieces"; `many` where that is no s. */
export const count = (number: number, one: string, many = `${one}s`) =>
  `${number} ${number === 1 ? one : many}`;
