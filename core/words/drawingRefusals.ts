import type { DrawingRefusalCode } from '../cartoon/index.ts';

/** Why a drawing was not taken, in one plain sentence that says what to do. */
export function drawingRefusalWords(code: DrawingRefusalCode): string {
  switch (code) {
    case 'not-a-drawing':
      return 'This file is not an SVG or DXF drawing; save the cartoon as SVG and bring it in again.';
    case 'too-large':
      return 'This file is too large for a cartoon (more than 30 MB of lines); leave pictures and shading out and save it again.';
    case 'no-numbers':
      return 'The drawing has coordinates that are not numbers; save it again from the vector editor.';
    case 'no-size':
      return 'The drawing says it is 0 wide or high; set its page size and save it again.';
    case 'nothing-drawn':
      return 'No visible lines were found in this drawing; check that its layers are switched on.';
    case 'nothing-closed':
      return 'No line of this drawing closes a region, so there are no pieces; join the lines and save it again.';
    case 'too-wide':
      return 'The panel would be more than 3.2 m across; set its true size by one measure.';
    case 'too-small':
      return 'The panel would be less than 1 mm across; set its true size by one measure.';
    case 'scribble':
      return 'The lines cross so often that most regions are specks; this is no cartoon of a panel.';
    case 'tangle':
      return 'The lines lie so close together that no glass fits between them; this is no cartoon of a panel.';
    case 'too-many':
      return 'This drawing has more lines or regions than a panel of 8,000 pieces; leave hatching and shading out and save it again.';
    case 'bad-size':
      return 'The size must be more than 0; enter a length such as 420 mm or 16 1/2 in.';
  }
}
