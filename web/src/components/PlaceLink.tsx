// A link to a place, with the looks of the theme and the types of the router.
import { chakra } from "@chakra-ui/react";
import { createLink } from "@tanstack/react-router";

export const PlaceLink = createLink(chakra("a"));
