import { type ReactNode, useEffect, useRef } from "react";

interface Props {
  title: string;
  open: boolean;
  onClose: () => void;
  children: ReactNode;
  dark?: boolean;
  /** For music, which needs more room than words. */
  wide?: boolean;
}

/** The platform's own dialog: it keeps the focus, closes on Escape and needs no styles of a script's making. */
export function Dialog({ title, open, onClose, children, dark = false, wide = false }: Props) {
  const ref = useRef<HTMLDialogElement>(null);
  useEffect(() => {
    const dialog = ref.current;
    if (!dialog) return;
    if (open && !dialog.open) dialog.showModal();
    if (!open && dialog.open) dialog.close();
  }, [open]);
  return (
    <dialog
      ref={ref}
      onClose={onClose}
      aria-label={title}
      className={`${wide ? "w-[min(68rem,calc(100vw-2rem))]" : "w-[min(34rem,calc(100vw-2rem))]"} rounded-md border p-6 ${dark ? "border-night-rule bg-night text-night-ink" : "border-rule-strong bg-ground text-ink"}`}
    >
      {open && (
        <>
          <h2 className="mb-3 text-xl">{title}</h2>
          {children}
        </>
      )}
    </dialog>
  );
}
