/** Words that begin a sentence: with a capital. */
export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
