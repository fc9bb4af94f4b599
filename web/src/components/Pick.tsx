// One of several, picked from a list that the browser drops down.
import { NativeSelect } from "@chakra-ui/react";

export interface PickOption<T extends string> {
  value: T;
  text: string;
}

interface PickProps<T extends string> extends Omit<NativeSelect.RootProps, "children"> {
  /** What it is, where no label of the page stands beside it. */
  label?: string;
  /** The identity a label of the page names. */
  named?: string;
  /** Nothing where nothing is picked. */
  value: T | undefined;
  options: PickOption<T>[];
  /** The text where nothing is picked; it can be picked again. */
  none?: string;
  onPick: (value: T | undefined) => void;
  /** Where a form begins. */
  isFirst?: boolean;
}

export function Pick<T extends string>({
  label,
  named,
  value,
  options,
  none,
  onPick,
  isFirst,
  ...looks
}: PickProps<T>) {
  return (
    <NativeSelect.Root size="sm" {...looks}>
      <NativeSelect.Field
        id={named}
        aria-label={label}
        value={value ?? ""}
        data-first={isFirst || undefined}
        onChange={({ target }) =>
          onPick(options.find((option) => option.value === target.value)?.value)
        }
      >
        {none === undefined ? null : <option value="">{none}</option>}
        {options.map((option) => (
          <option key={option.value} value={option.value}>
            {option.text}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  );
}

/** Words by their names on the wire, as options. */
export const optionsOf = <T extends string, Of>(
  named: Record<T, Of>,
  words: (of: Of) => string = String,
): PickOption<T>[] =>
  (Object.entries(named) as [T, Of][]).map(([value, of]) => ({ value, text: words(of) }));
