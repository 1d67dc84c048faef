const HELPER = /\b(guides?|dim(ension)?s?|construction|notes?|helper( lines?)?|measurements?|defpoints)\b/i;

/** Whether a layer's name says that nothing on it is a line of the glass. */
export const isHelperLayer = (name: string): boolean => HELPER.test(name.replace(/[_-]+/g, ' '));
