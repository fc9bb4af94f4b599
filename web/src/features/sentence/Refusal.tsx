// The reason why this sentence is not planned, and the way out.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Problem, Request } from "../../api/types";
import { Action } from "../../components/recipes";
import { inSections } from "../../domain/request";

interface RefusalProps {
  problem: Problem;
  request: Request;
  text: string;
  onChange: (change: Partial<Request>) => void;
}

export function Refusal({ problem, request, text, onChange }: RefusalProps) {
  return (
    <Box role="alert" mt="2" maxW="sentence" borderTop="2px solid" borderColor="beet" pt="2">
      <Flex gap="3" align="center" wrap="wrap">
        <Text textStyle="line" color="beet" fontWeight="600">
          {text}
        </Text>
        <WayOut problem={problem} request={request} onChange={onChange} />
      </Flex>
    </Box>
  );
}

function WayOut({ problem, request, onChange }: Omit<RefusalProps, "text">) {
  switch (problem.code) {
    case "needs_acknowledgement":
      return (
        <Action type="button" onClick={() => onChange({ below_floor_acknowledged: true })}>
          I know, plan it anyway
        </Action>
      );
    case "above_ceiling":
      return (
        <Action type="button" onClick={() => onChange({ setting_c: problem.max ?? undefined })}>
          Use its highest setting
        </Action>
      );
    case "below_lowest":
      return (
        <Action type="button" onClick={() => onChange({ setting_c: problem.min ?? undefined })}>
          Use its lowest setting
        </Action>
      );
    case "below_poultry_floor":
    case "below_handled_floor":
    case "no_waiver":
      return (
        <Action
          type="button"
          onClick={() => onChange({ core_target_c: Math.ceil(problem.min ?? 74) })}
        >
          Use the safe minimum
        </Action>
      );
    case "clock_overrun":
      return problem.field === "hot_holding" ? (
        <Action type="button" onClick={() => onChange({ hot_holding: "oven" })}>
          Keep it in an oven
        </Action>
      ) : null;
    case "too_large_a_piece":
      return <Cut problem={problem} request={request} onChange={onChange} />;
    default:
      return null;
  }
}

function Cut({ problem: { division }, request, onChange }: Omit<RefusalProps, "text">) {
  if (!division) return null;
  return (
    <Action type="button" onClick={() => onChange(inSections(request, division))}>
      Cut it into {division.sections}
    </Action>
  );
}
