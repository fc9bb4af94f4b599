// The surface of the pieces: one that cooks have a name for, or layers put on one after the other.
import { Box, Flex, Text } from "@chakra-ui/react";
import type { Catalogue, CutEntry, Layer } from "../../api/types";
import { Choice } from "../../components/Choice";
import { RowActions } from "../../components/RowActions";
import { Action } from "../../components/recipes";
import { Word } from "../../components/Word";
import { layerWords, surfaceWords } from "../../domain/surface";
import { earlier, without } from "../../lib/lists";

interface SurfaceWordProps {
  catalogue: Catalogue;
  entry: CutEntry;
  surface: Layer[];
  wrong?: boolean;
  onChange: (surface: Layer[]) => void;
}

export function SurfaceWord({ catalogue, entry, surface, wrong, onChange }: SurfaceWordProps) {
  const words = surfaceWords(surface, entry, catalogue.layers);
  return (
    <Word label="Surface" text={words} state={wrong ? "wrong" : "told"}>
      {(close) => (
        <Box maxH="70dvh" overflowY="auto">
          <Choice
            items={entry.surfaces.map((one) => ({ value: one.words, text: one.words }))}
            chosen={words}
            onChoose={(chosen) => {
              const usual = entry.surfaces.find((one) => one.words === chosen);
              if (usual) onChange(usual.surface);
              close();
            }}
          />
          <Layers catalogue={catalogue} surface={surface} onChange={onChange} />
        </Box>
      )}
    </Word>
  );
}

interface LayersProps {
  catalogue: Catalogue;
  surface: Layer[];
  onChange: (surface: Layer[]) => void;
}

/** Layers in the order in which they go on: each can be taken off or put on earlier, more can be added. */
function Layers({ catalogue, surface, onChange }: LayersProps) {
  const words = (layer: Layer) => layerWords(layer, catalogue.layers);
  const last = surface.at(-1);
  const full = surface.length >= catalogue.most_layers;
  return (
    <Box as="section" aria-label="Layers" borderTop="1px solid" borderColor="line" mt="2" pt="2">
      <Text textStyle="small" color="ink.say" px="3">
        Layers, the lowest first{surface.length === 0 ? ": none yet" : ""}
      </Text>
      <Box as="ol" listStyleType="none">
        {surface.map((layer, n) => (
          <Flex
            as="li"
            key={`${n} ${layer}`}
            justify="space-between"
            align="center"
            px="3"
            textStyle="body"
          >
            {n + 1}. {words(layer)}
            <RowActions
              earlier={
                n > 0
                  ? {
                      label: `${words(layer)} earlier`,
                      onPress: () => onChange(earlier(surface, n)),
                    }
                  : undefined
              }
              out={{
                text: "Remove",
                label: `Remove ${words(layer)}`,
                onPress: () => onChange(without(surface, n)),
              }}
            />
          </Flex>
        ))}
      </Box>
      {full ? (
        <Text textStyle="small" color="ink.soft" px="3">
          {catalogue.most_layers} layers are the most.
        </Text>
      ) : (
        <Flex wrap="wrap" px="1" columnGap="1" role="group" aria-label="Put on next">
          {catalogue.layers
            .filter(({ goes_over }) => last === undefined || goes_over.includes(last))
            .map(({ layer }) => (
              <Action
                key={layer}
                type="button"
                look="plain"
                textStyle="small"
                aria-label={`Add ${words(layer)}`}
                onClick={() => onChange([...surface, layer])}
              >
                + {words(layer)}
              </Action>
            ))}
        </Flex>
      )}
    </Box>
  );
}
