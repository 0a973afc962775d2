// What is kept out of the reactive state: three.js compares its objects by identity.
export const held = { model: null, outline: null };
