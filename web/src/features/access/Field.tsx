// A line of text that is asked for, with what is wrong with it below.
import { Box, Input, Text } from "@chakra-ui/react";
import { useId } from "react";

interface FieldProps {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: "text" | "password";
  autoComplete?: string;
  hint?: string;
  wrong?: string | null;
}

export function Field(props: FieldProps) {
  const { label, value, onChange, type = "text", autoComplete = "off", hint, wrong } = props;
  const id = useId();
  return (
    <Box mb="4">
      <Text as="label" textStyle="small" display="block" mb="1" {...{ htmlFor: id }}>
        {label}
      </Text>
      <Input
        id={id}
        type={type}
        value={value}
        maxLength={200}
        autoComplete={autoComplete}
        aria-invalid={wrong ? true : undefined}
        aria-describedby={hint || wrong ? `${id}-more` : undefined}
        minH="11"
        onChange={(event) => onChange(event.target.value)}
      />
      {hint || wrong ? (
        <Text
          id={`${id}-more`}
          role={wrong ? "alert" : undefined}
          textStyle="small"
          color={wrong ? "beet" : "ink.say"}
          mt="1"
        >
          {wrong ?? hint}
        </Text>
      ) : null}
    </Box>
  );
}

/** What an answer says of one field. */
export function wrongWith(
  error: { message: string; problem?: { field?: string | null } | null } | null,
  field: string,
): string | null {
  return error?.problem?.field === field ? error.message : null;
}
