interface Reply<Answer> {
  id: number;
  told?: Answer;
  failed?: string;
}

/** Who waits for an answer. */
interface Waiting<Answer> {
  tell: (told: Answer) => void;
  fail: (why: Error) => void;
}

/**
 * What works beside the page, so that the page is drawn and heard meanwhile: a worker that answers each question once, in the
 * order in which they were asked. It is begun when it is asked first.
 */
export class Beside<Question, Answer> {
  private worker: Worker | undefined;
  private asked = 0;
  private readonly waiting = new Map<number, Waiting<Answer>>();

  constructor(private readonly made: () => Worker) {}

  /** Fails where the worker does, or is not done after so many milliseconds: then something is wrong with it. */
  ask(question: Question, patience: number): Promise<Answer> {
    const id = ++this.asked;
    return new Promise<Answer>((tell, fail) => {
      const timer = setTimeout(() => this.sleep(), patience);
      const settle = () => {
        clearTimeout(timer);
        this.waiting.delete(id);
      };
      this.waiting.set(id, {
        tell: (told) => (settle(), tell(told)),
        fail: (why) => (settle(), fail(why)),
      });
      this.awake().postMessage({ id, question });
    });
  }

  private awake(): Worker {
    if (this.worker) return this.worker;
    const worker = this.made();
    worker.onmessage = ({ data }: MessageEvent<Reply<Answer>>) => {
      const { id, told, failed } = data;
      if (told !== undefined) this.waiting.get(id)?.tell(told);
      else this.waiting.get(id)?.fail(new Error(failed));
    };
    worker.onerror = () => this.sleep();
    return (this.worker = worker);
  }

  /** Lets the worker go; whoever waits for it hears that it failed. Who asks next wakes another. */
  sleep() {
    this.worker?.terminate();
    this.worker = undefined;
    [...this.waiting.values()].forEach(({ fail }) => fail(new Error("The worker is gone")));
  }
}

/** The other side: answers what is asked of a worker. */
export function answering<Question, Answer>(answer: (question: Question) => Answer | Promise<Answer>) {
  onmessage = async ({ data }: MessageEvent<{ id: number; question: Question }>) => {
    const { id, question } = data;
    try {
      postMessage({ id, told: await answer(question) });
    } catch (error) {
      postMessage({ id, failed: String(error) });
    }
  };
}
