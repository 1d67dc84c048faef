export {
  allowanceSchema,
  cartoonSchema,
  commandSchema,
  firstProblem,
  putBackSchema,
  submitSchema,
  type CartoonRequest,
  type PutBackRequest,
  type Submit,
} from './commands.ts';
export {
  ERROR_STATUS,
  type Accepted,
  type CartoonAnswer,
  type ErrorAnswer,
  type ErrorCode,
  type LiveMessage,
  type LogLine,
  type PanelAnswer,
  type StudioAnswer,
} from './answers.ts';
