import { type InputHTMLAttributes, type ReactNode, useId } from "react";

interface Frame {
  label: string;
  hint?: ReactNode;
  error?: string | undefined;
}

export const INPUT =
  "min-h-11 w-full rounded-[5px] border border-rule-strong bg-white px-3 py-2 text-base text-ink aria-invalid:border-danger aria-invalid:border-2";

/** A label, what it labels, and under it a hint or what is wrong. */
export function Labelled({
  label,
  hint,
  error,
  children,
}: Frame & { children: (ids: { id: string; describedBy: string }) => ReactNode }) {
  const id = useId();
  const describedBy = `${id}-more`;
  return (
    <div>
      <label htmlFor={id} className="mb-1 block font-semibold">
        {label}
      </label>
      {children({ id, describedBy })}
      <p
        id={describedBy}
        className={`mt-1 text-sm ${error ? "font-semibold text-danger" : "text-soft"}`}
        role={error ? "alert" : undefined}
      >
        {error ?? hint}
      </p>
    </div>
  );
}

export function Field({ label, hint, error, className = "", ...rest }: Frame & InputHTMLAttributes<HTMLInputElement>) {
  return (
    <Labelled label={label} hint={hint} error={error}>
      {({ id, describedBy }) => (
        <input
          id={id}
          aria-describedby={describedBy}
          aria-invalid={error ? true : undefined}
          className={`${INPUT} ${className}`}
          {...rest}
        />
      )}
    </Labelled>
  );
}
