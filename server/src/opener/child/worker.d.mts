/** A program of its own: it is started, or imported for what it does. */
export {};
