import { RadioGroup } from "radix-ui";
import { useId } from "react";

interface Option<T extends string> {
  value: T;
  label: string;
  hint?: string;
}

interface Props<T extends string> {
  label: string;
  value: T;
  options: Option<T>[];
  onChange: (value: T) => void;
  columns?: string;
}

/** One of a few, all in view. */
export function Choice<T extends string>({ label, value, options, onChange, columns = "grid-cols-2" }: Props<T>) {
  const id = useId();
  return (
    <div>
      <p id={id} className="mb-1 font-semibold">
        {label}
      </p>
      <RadioGroup.Root
        aria-labelledby={id}
        value={value}
        onValueChange={(next) => onChange(next as T)}
        className={`grid gap-2 ${columns}`}
      >
        {options.map((option) => (
          <RadioGroup.Item
            key={option.value}
            value={option.value}
            className="group flex min-h-11 items-center gap-2.5 rounded-[5px] border border-rule-strong px-3 py-2 text-left data-[state=checked]:border-spruce data-[state=checked]:bg-spruce-pale"
          >
            <span className="grid size-4 shrink-0 place-items-center rounded-full border-2 border-rule-strong group-data-[state=checked]:border-spruce">
              <RadioGroup.Indicator className="block size-2 rounded-full bg-spruce" />
            </span>
            <span>
              {option.label}
              {option.hint && <span className="block text-sm text-soft">{option.hint}</span>}
            </span>
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
    </div>
  );
}
