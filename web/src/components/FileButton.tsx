// A button that asks for a file.
import { chakra } from "@chakra-ui/react";
import { useRef } from "react";
import { Action } from "./recipes";

interface FileButtonProps {
  /** What the file holds, for those who do not see the button. */
  label: string;
  children: string;
  /** Kinds of files that are offered. */
  accept?: string;
  /** In small letters, at the edge of what stands above it. */
  small?: boolean;
  onFile: (file: File) => void;
}

const JSON_FILES = "application/json,.json";

export function FileButton({
  label,
  children,
  accept = JSON_FILES,
  small,
  onFile,
}: FileButtonProps) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <Action
        type="button"
        look="plain"
        {...(small ? { textStyle: "small", px: "0" } : null)}
        onClick={() => input.current?.click()}
      >
        {children}
      </Action>
      <chakra.input
        ref={input}
        type="file"
        accept={accept}
        aria-label={label}
        display="none"
        onChange={(event) => {
          const chosen = event.target.files?.[0];
          if (chosen) onFile(chosen);
          // The same file can be chosen again, once it is mended.
          event.target.value = "";
        }}
      />
    </>
  );
}
