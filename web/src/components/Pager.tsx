// To the newer and the older pages of a list.
import { Flex, Text } from "@chakra-ui/react";
import { Action } from "./recipes";

interface PagerProps {
  page: number;
  total: number;
  perPage: number;
  onPage: (page: number) => void;
}

export function Pager({ page, total, perPage, onPage }: PagerProps) {
  const pages = Math.max(1, Math.ceil(total / perPage));
  if (pages === 1) return null;
  return (
    <Flex gap="3" align="center" mt="4">
      <Action type="button" disabled={page <= 1} onClick={() => onPage(page - 1)}>
        Newer
      </Action>
      <Text textStyle="small" color="ink.soft">
        page {page} of {pages}
      </Text>
      <Action type="button" disabled={page >= pages} onClick={() => onPage(page + 1)}>
        Older
      </Action>
    </Flex>
  );
}
