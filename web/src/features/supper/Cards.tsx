// The cards that are printed: only paper shows them.
import { Box, Text } from "@chakra-ui/react";
import type { Supper, SupperPlan } from "../../api/types";
import { render } from "../../domain/message";
import { clock, weekday } from "../../lib/clock";
import { usePrinting } from "../../lib/print";
import { setting, temperature, type Units } from "../../lib/units";
import { cards } from "./cards";
import { Shopping } from "./Shopping";

interface CardsProps {
  supper: Supper;
  plan: SupperPlan;
  units: Units;
}

export function Cards({ supper, plan, units }: CardsProps) {
  const printing = usePrinting();
  if (!printing) return null;
  const at = (time: string) => `${weekday(new Date(time))} ${clock(new Date(time))}`;
  const table = `${supper.name}, for ${supper.eaters}, on the table ${at(plan.serve_at)}`;
  return (
    <Box className="cards" color="mark.ink">
      {cards(plan).map((card) => (
        <CardBox key={card.title} title={card.title} under={table}>
          {card.dish?.setting_c != null && card.dish.core_target_c != null ? (
            <Text textStyle="line" mb="2">
              At {setting(card.dish.setting_c, units)}, until the core reads{" "}
              {temperature(card.dish.core_target_c, units)}.
            </Text>
          ) : null}
          {card.moments.map((moment) => {
            const dish = plan.dishes[moment.dish]?.name;
            return (
              <Box
                key={`${moment.dish} ${moment.task} ${moment.moment}`}
                display="flex"
                gap="4"
                py="1"
                borderTop="1px solid"
                breakInside="avoid"
              >
                <Text textStyle="time" flexShrink="0" w="lane" whiteSpace="nowrap">
                  ☐ {at(moment.at)}
                </Text>
                <Box>
                  <Text textStyle="body">
                    {moment.what}
                    {dish && !card.title.endsWith(dish) ? ` · ${dish}` : ""}
                  </Text>
                  {moment.notes.map((note) => (
                    <Text key={note.text} textStyle="small">
                      {render(note, units)}
                    </Text>
                  ))}
                  {moment.caution ? <Text textStyle="small">Caution: {moment.caution}</Text> : null}
                </Box>
              </Box>
            );
          })}
        </CardBox>
      ))}
      <CardBox title="Buy and weigh out" under={table}>
        <Shopping plan={plan} eaters={supper.eaters} units={units} />
      </CardBox>
    </Box>
  );
}

interface CardBoxProps {
  title: string;
  under: string;
  children: React.ReactNode;
}

/** A card on a page of its own. */
const CardBox = ({ title, under, children }: CardBoxProps) => (
  <Box as="section" css={{ breakAfter: "page", "&:last-of-type": { breakAfter: "auto" } }}>
    <Text as="h2" textStyle="title">
      {title}
    </Text>
    <Text textStyle="small" mb="3">
      {under}
    </Text>
    {children}
  </Box>
);
