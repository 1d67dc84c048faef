import { useEffect, useRef, useState } from 'react';
import { toast } from 'sonner';

/** As much of the browser's own speech recognition as is used here (Web Speech API, whose names these are). */
interface Recogniser {
  lang: string;
  interimResults: boolean;
  start(): void;
  abort(): void;
  onresult: ((event: { results: ArrayLike<ArrayLike<{ transcript: string }>> }) => void) | null;
  onerror: ((event: { error: string }) => void) | null;
  onend: (() => void) | null;
}

function recogniser(): (new () => Recogniser) | null {
  const here = globalThis as {
    SpeechRecognition?: new () => Recogniser;
    webkitSpeechRecognition?: new () => Recogniser;
  };
  return here.SpeechRecognition ?? here.webkitSpeechRecognition ?? null;
}

/** Listening for one call, where the browser can: nothing is heard until it is asked for, and nothing done until Enter. */
export function useVoice(locale: string, onHeard: (words: string) => void) {
  const [isListening, setListening] = useState(false);
  const running = useRef<Recogniser | null>(null);
  useEffect(() => () => running.current?.abort(), []);
  const Recognise = recogniser();
  const listen = () => {
    if (!Recognise) return;
    if (running.current) return running.current.abort();
    const one = new Recognise();
    one.lang = locale;
    one.interimResults = true;
    one.onresult = ({ results }) =>
      onHeard(
        Array.from(results, (result) => result[0]?.transcript ?? '')
          .join(' ')
          .trim(),
      );
    one.onerror = ({ error }) => {
      if (error !== 'aborted' && error !== 'no-speech') toast('The browser does not let Nelvik listen just now.');
    };
    one.onend = () => {
      running.current = null;
      setListening(false);
    };
    running.current = one;
    setListening(true);
    one.start();
  };
  return { canListen: Recognise !== null, isListening, listen };
}
