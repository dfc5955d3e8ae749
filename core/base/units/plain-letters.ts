/** A text as it is compared with others: lower case, without accents. */
export const plainLetters = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '');
