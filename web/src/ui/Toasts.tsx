import { Toast } from "radix-ui";
import { createContext, type ReactNode, useCallback, useContext, useState } from "react";

interface Message {
  id: number;
  text: string;
}

const Announce = createContext<(text: string) => void>(() => undefined);

/** Says something briefly at the foot of the page. */
export const useToast = () => useContext(Announce);

export function Toasts({ children }: { children: ReactNode }) {
  const [messages, setMessages] = useState<Message[]>([]);
  const toast = useCallback(
    (text: string) => setMessages((now) => [...now, { id: (now.at(-1)?.id ?? 0) + 1, text }]),
    [],
  );
  return (
    <Announce.Provider value={toast}>
      <Toast.Provider swipeDirection="right" duration={6000}>
        {children}
        {messages.map((message) => (
          <Toast.Root
            key={message.id}
            onOpenChange={(open) => !open && setMessages((now) => now.filter((other) => other.id !== message.id))}
            className="rounded-[5px] bg-ink px-4 py-3 text-ground shadow-none"
          >
            <Toast.Description>{message.text}</Toast.Description>
          </Toast.Root>
        ))}
        <Toast.Viewport className="fixed right-4 bottom-4 z-50 flex w-[min(24rem,calc(100vw-2rem))] flex-col gap-2" />
      </Toast.Provider>
    </Announce.Provider>
  );
}
