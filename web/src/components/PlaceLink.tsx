// Links to a place, with the looks of the theme and the types of the router.
import { chakra } from "@chakra-ui/react";
import { createLink } from "@tanstack/react-router";
import { action } from "./recipes";

export const PlaceLink = createLink(chakra("a"));

/** One that looks like a thing to press. */
export const ActionLink = createLink(chakra("a", action));
