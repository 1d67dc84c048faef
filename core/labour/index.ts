export { costOf, minutesOf, sharedByLength, sumByStage, type LabourSum } from './hours.ts';
export { minutesByPiece } from './pieceTime.ts';
export { panelSum, type PanelSum } from './panelSum.ts';
export { shareDone } from './shareDone.ts';
export { supplyShare, type WorkDone } from './supplyShare.ts';
