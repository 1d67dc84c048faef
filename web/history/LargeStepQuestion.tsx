import { useLargeStep } from '../state/largeStep.ts';
import { useSend } from '../state/send.ts';
import { Question } from '../ui/Question.tsx';

/** Asks before something large is taken back. */
export function LargeStepQuestion() {
  const { step, done } = useLargeStep();
  const send = useSend();
  return (
    <Question
      title="Take this back?"
      yes="Take it back"
      no="Leave it"
      open={step !== null}
      onNo={done}
      onYes={() => {
        if (step) void send.putEntryBack(step.seq);
        done();
      }}
    >
      <p>
        <b>{step?.words}.</b> The pieces, their numbers and all that was chosen for them go with it. It can be done
        again afterwards.
      </p>
    </Question>
  );
}
