/** A name cut to so many letters, with a sign that it was. */
export const shortened = (name: string, letters: number): string =>
  name.length <= letters ? name : `${name.slice(0, Math.max(1, letters - 1)).trimEnd()}…`;
