// A cook as a strip on a time scale that it shares with others, with what it comes to.
import { Box, Text } from "@chakra-ui/react";
import { FieldCanvas } from "../../components/FieldCanvas";
import type { Field } from "../../domain/field";
import { useWidth } from "../../lib/hooks";

const HEIGHT = 44;

interface StripProps {
  title: string;
  picture: Field | undefined;
  /** When it comes out, min from its loading. */
  mark: number | undefined;
  /** When it went in, min on the shared scale. */
  from?: number;
  /** Where the shared scale ends, min. */
  to: number;
  says: string;
}

export function Strip({ title, picture, mark, from = 0, to, says }: StripProps) {
  const [ref, width] = useWidth<HTMLDivElement>();
  const end = picture?.minutes.at(-1) ?? 0;
  const x = (minute: number) => (minute / to) * width;
  return (
    <Box>
      <Text textStyle="body" fontWeight="600">
        {title}
      </Text>
      <Box ref={ref} position="relative" style={{ height: HEIGHT }}>
        {picture && width > 0 ? (
          <>
            <Box position="absolute" style={{ left: x(from) }}>
              <FieldCanvas picture={picture} width={x(end)} height={HEIGHT} from={0} to={end} />
            </Box>
            {mark === undefined ? null : (
              <Box
                position="absolute"
                top="0"
                bottom="0"
                borderLeft="2.5px solid"
                borderColor="mark.ink"
                style={{ left: x(from + mark) }}
              />
            )}
          </>
        ) : null}
      </Box>
      <Text textStyle="small" color="ink.soft" role="status">
        {says}
      </Text>
    </Box>
  );
}
