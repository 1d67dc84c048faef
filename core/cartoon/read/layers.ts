const HELPER =
  /\b(guides?|dim(ension)?(s| lines?)?|construction|notes?|annotations?|helper( lines?)?|measure(s|ments?)?|rulers?|title ?blocks?|legends?|captions?|crop marks?|defpoints)\b/i;

/** Whether a name given in a drawing says that nothing under it is a line of the glass. */
export const isHelperLayer = (name: string): boolean => HELPER.test(name.replace(/[_-]+|(?<=[a-z])(?=[A-Z])/g, ' '));
