// Photographs of a cook: taken with the phone, made smaller here, up to three.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { failed } from "../../api/client";
import { addPhoto, deletePhoto, photosQuery, restorePhoto } from "../../api/queries";
import { FileButton } from "../../components/FileButton";
import { Trouble } from "../../components/Notice";
import { Action } from "../../components/recipes";
import { useDelete } from "../../components/useDelete";
import { shrink } from "../../lib/shrink";
import type { Units } from "../../lib/units";

interface PhotosProps {
  cook: string;
  name: string;
  units: Units;
}

const MOST = 3;
const NO_PICTURE = "This browser cannot read that file as a photograph. Choose a JPEG or a PNG.";

export function Photos({ cook, name, units }: PhotosProps) {
  const queries = useQueryClient();
  const photos = useQuery(photosQuery(cook));
  const again = () => queries.invalidateQueries({ queryKey: photosQuery(cook).queryKey });
  const add = useMutation({
    mutationFn: async ({ id, file }: { id: string; file: File }) => {
      const small = await shrink(file).catch(() => {
        throw new Error(NO_PICTURE);
      });
      return addPhoto(cook, id, small);
    },
    onSuccess: again,
  });
  const deletion = useDelete({
    remove: deletePhoto,
    restore: restorePhoto,
    changed: () => void again(),
    told: () => "The photograph is deleted.",
  });
  const all = photos.data ?? [];
  return (
    <Box as="section" aria-label="Photographs" mt="4">
      <Flex gap="3" wrap="wrap" align="flex-start">
        {all.map(({ id }, n) => (
          <Box key={id}>
            <chakra.img
              src={`/api/photos/${id}`}
              alt={`Photograph ${n + 1} of ${name}`}
              loading="lazy"
              maxH="13rem"
              maxW="full"
              borderRadius="field"
            />
            <Action
              type="button"
              look="plain"
              textStyle="small"
              className="no-print"
              aria-label={`Delete photograph ${n + 1}`}
              onClick={() => deletion.remove(id)}
            >
              Delete
            </Action>
          </Box>
        ))}
      </Flex>
      {deletion.notice}
      {all.length < MOST ? (
        <Box className="no-print">
          <FileButton
            label="Photograph"
            accept="image/*"
            onFile={(file) => add.mutate({ id: crypto.randomUUID(), file })}
          >
            Add a photograph
          </FileButton>
        </Box>
      ) : null}
      {add.isPending ? (
        <Text role="status" textStyle="small">
          Adding…
        </Text>
      ) : null}
      {add.error ? <Trouble>{failed(add.error, units)}</Trouble> : null}
    </Box>
  );
}
