// Opening this kitchen on a phone: a code to scan, what to trust, and how to stop that.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useQuery } from "@tanstack/react-query";
import { phoneQuery } from "../../api/queries";
import { Trouble } from "../../components/Notice";

export function Phone() {
  const phone = useQuery(phoneQuery());
  const lan = phone.data?.lan;
  return (
    <Box as="section" mt="8" aria-label="On your phone">
      <Text as="h2" textStyle="title" mb="3">
        On your phone
      </Text>
      {phone.error ? <Trouble>{phone.error.message}</Trouble> : null}
      {phone.data && !lan ? (
        <Text textStyle="line" color="ink.say" maxW="reading">
          Only this computer opens this kitchen now. Start it with <code>./start --lan</code>, and a
          phone at home opens it by scanning a code here.
        </Text>
      ) : null}
      {lan ? (
        <Flex gap="6" wrap="wrap" align="flex-start">
          {lan.picture_svg ? (
            <Box bg="white" p="2" borderRadius="field">
              <img
                src={`data:image/svg+xml;utf8,${encodeURIComponent(lan.picture_svg)}`}
                alt={`Code for ${lan.setup ?? lan.address}`}
                width={200}
                height={200}
              />
            </Box>
          ) : null}
          <Box flex="1" minW="240px" maxW="reading" textStyle="line">
            {lan.setup ? (
              <>
                <Text>
                  Scan it with the phone, or type <b>{lan.setup}</b>. The page says how to trust
                  this computer, and how to stop that.
                </Text>
                <Text mt="3">Compare the numbers on the phone with these before you trust it:</Text>
                <Text fontFamily="mono" textStyle="small" mt="1" overflowWrap="anywhere">
                  {lan.fingerprint}
                </Text>
              </>
            ) : (
              <Text>Scan it with the phone.</Text>
            )}
            <Text mt="3">
              From then on your kitchen is at <b>{lan.address}</b>
              {lan.others.length > 0 ? ` (where that is not found: ${lan.others.join(", ")})` : ""}.
            </Text>
            <Text mt="3" color="ink.say">
              There is no sign-in yet: everybody in this network can read and change everything
              here.
            </Text>
          </Box>
        </Flex>
      ) : null}
    </Box>
  );
}
