// A short link to this sentence, for somebody else. It holds no consent to go below a safe minimum.
import { Text } from "@chakra-ui/react";
import { useMutation } from "@tanstack/react-query";
import { share } from "../../api/queries";
import type { Request } from "../../api/types";
import { Action } from "../../components/recipes";

export function CopyLink({ request, disabled }: { request: Request; disabled: boolean }) {
  const copy = useMutation({
    mutationFn: async () => {
      const { id } = await share(request);
      const link = `${window.location.origin}/plan?shared=${id}`;
      await navigator.clipboard?.writeText(link);
      return link;
    },
  });
  return (
    <>
      <Action
        type="button"
        look="plain"
        disabled={disabled || copy.isPending}
        onClick={() => copy.mutate()}
      >
        Copy link
      </Action>
      {copy.data ? (
        <Text role="status" textStyle="small" alignSelf="center">
          Link copied: {copy.data}
        </Text>
      ) : null}
      {copy.error ? (
        <Text role="alert" textStyle="small" color="beet" alignSelf="center">
          {copy.error.message}
        </Text>
      ) : null}
    </>
  );
}
