// The frame: the mark, the places, the cook's units, and the keys.
import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { Outlet, useLocation, useNavigate } from "@tanstack/react-router";
import { lazy, Suspense, useEffect, useRef, useState } from "react";
import { PlaceLink } from "../components/PlaceLink";
import { LAST_PLAN } from "../domain/address";
import { type Settings, useSettings } from "../domain/settings";
import { useShortcut } from "../domain/useShortcut";
import { Door, useIsOut } from "../features/access/Door";
import { useHousehold } from "../features/household/household";
import { writeDraft } from "../lib/draft";
import { useOnline } from "../lib/hooks";

// Asked for with a key, and then loaded.
const Keys = lazy(() => import("./Keys"));
// After the page is there.
const More = lazy(() => import("./More"));
const Watch = lazy(() => import("./Watch"));

const PLACES = [
  { to: "/plan", name: "Plan" },
  { to: "/supper", name: "Supper" },
  { to: "/fryer", name: "Cook now" },
  { to: "/logbook", name: "Logbook" },
  { to: "/bench", name: "Bench" },
  { to: "/kitchen", name: "Kitchen" },
] as const;

export function Frame() {
  const settings = useSettings();
  const choose = useHousehold(settings);
  const navigate = useNavigate();
  const online = useOnline();
  const joining = useLocation({ select: (location) => location.pathname === "/join" });
  const out = useIsOut() || joining;
  const [help, setHelp] = useState(false);
  useColour(settings.colour);
  useFocusOnMain();
  useShortcut("?", () => setHelp((open) => !open));
  const startOver = () => {
    writeDraft(LAST_PLAN, null);
    void navigate({ to: "/plan", search: {} });
  };
  useShortcut("n", startOver);
  useShortcut("u", () => choose(otherUnits(settings)));
  useShortcut("g>h", () => void navigate({ to: "/" }));
  useShortcut("g>p", () => void navigate({ to: "/plan" }));
  useShortcut("g>s", () => void navigate({ to: "/supper" }));
  useShortcut("g>f", () => void navigate({ to: "/fryer" }));
  useShortcut("g>l", () => void navigate({ to: "/logbook" }));
  useShortcut("g>b", () => void navigate({ to: "/bench" }));
  useShortcut("g>k", () => void navigate({ to: "/kitchen" }));

  return (
    <Box maxW="page" mx="auto" minH="100dvh">
      <chakra.a
        href="#main"
        position="absolute"
        left="-999px"
        bg="solid"
        color="solid.ink"
        px="3"
        py="2"
        _focus={{ left: "3", top: "3", zIndex: 10 }}
      >
        Skip to the page
      </chakra.a>
      <Flex
        as="header"
        align="baseline"
        columnGap={{ base: "4", md: "7" }}
        rowGap="1"
        wrap="wrap"
        px={{ base: "5", md: "9" }}
        pt="3.5"
        pb="2"
      >
        <PlaceLink to="/" textStyle="mark" color="ink" aria-label="Zesty Ember, today">
          Zesty{" "}
          <Text as="span" color="ember">
            Ember
          </Text>
        </PlaceLink>
        <Flex
          as="nav"
          display={out ? "none" : undefined}
          wrap="wrap"
          gap={{ base: "2.5", md: "6" }}
          flex={{ base: "1 0 100%", md: "1" }}
          order={{ base: 3, md: 0 }}
          aria-label="Places"
        >
          {PLACES.map((place) => (
            <PlaceLink
              key={place.to}
              to={place.to}
              textStyle={{ base: "small", md: "body" }}
              color="ink.soft"
              pb="0.5"
              whiteSpace="nowrap"
              borderBottom="3px solid transparent"
              css={{
                "&[data-status=active]": { color: "ink", fontWeight: 650, borderColor: "ember" },
              }}
            >
              {place.name}
            </PlaceLink>
          ))}
        </Flex>
        <Flex gap="1" align="baseline" ms="auto">
          <Swap
            label="Temperatures"
            on={settings.temperature === "celsius" ? 0 : 1}
            names={["°C", "°F"]}
            onSwap={() =>
              choose({
                temperature: settings.temperature === "celsius" ? "fahrenheit" : "celsius",
              })
            }
          />
          <Swap
            label="Weights"
            on={settings.weight === "metric" ? 0 : 1}
            names={["g", "lb"]}
            onSwap={() => choose({ weight: settings.weight === "metric" ? "imperial" : "metric" })}
          />
          <Suspense fallback={<MoreComes />}>
            <More settings={settings} onChoose={choose} onHelp={() => setHelp(true)} />
          </Suspense>
        </Flex>
      </Flex>
      {online ? null : (
        <Box role="status" bg="well" px={{ base: "5", md: "9" }} py="2" textStyle="small">
          No connection. The countdowns go on; updates are sent when the server answers.
        </Box>
      )}
      {out ? null : (
        <Suspense>
          <Watch />
        </Suspense>
      )}
      <Box as="main" id="main" px={{ base: "5", md: "9" }} pb="12" tabIndex={-1} outline="none">
        {joining ? (
          <Outlet />
        ) : (
          <Door>
            <Outlet />
          </Door>
        )}
      </Box>
      {help && (
        <Suspense>
          <Keys onClose={() => setHelp(false)} />
        </Suspense>
      )}
    </Box>
  );
}

/** Where the menu will be, so that nothing moves when it comes. */
const MoreComes = () => (
  <Text textStyle="small" px="1.5" py="1" aria-hidden>
    More
  </Text>
);

/** On another page reading begins at its top, also for those who do not see it. */
function useFocusOnMain() {
  const path = useLocation({ select: (location) => location.pathname });
  const last = useRef(path);
  useEffect(() => {
    if (last.current === path) return;
    last.current = path;
    document.getElementById("main")?.focus({ preventScroll: true });
  }, [path]);
}

/** Everything the other way round. */
function otherUnits(settings: Settings) {
  return settings.temperature === "celsius"
    ? ({ temperature: "fahrenheit", weight: "imperial" } as const)
    : ({ temperature: "celsius", weight: "metric" } as const);
}

/** Light or dark, as chosen or as the device is. */
function useColour(colour: Settings["colour"]) {
  useEffect(() => {
    const device = window.matchMedia("(prefers-color-scheme: dark)");
    // Paper is white.
    const paper = window.matchMedia("print");
    const apply = () => {
      const dark = !paper.matches && (colour === "dark" || (colour === "auto" && device.matches));
      document.documentElement.classList.toggle("dark", dark);
      document.documentElement.style.colorScheme = dark ? "dark" : "light";
    };
    apply();
    const queries = [device, paper];
    for (const query of queries) query.addEventListener("change", apply);
    return () => {
      for (const query of queries) query.removeEventListener("change", apply);
    };
  }, [colour]);
}

interface SwapProps {
  label: string;
  names: [string, string];
  on: 0 | 1;
  onSwap: () => void;
}

function Swap({ label, names, on, onSwap }: SwapProps) {
  return (
    <chakra.button
      type="button"
      onClick={onSwap}
      aria-label={`${label} in ${names[on]}, change to ${names[1 - on]}`}
      textStyle="small"
      color="ink.soft"
      px="1.5"
      py="1"
      cursor="pointer"
    >
      {names.map((name, n) => (
        <Text as="span" key={name}>
          {n > 0 ? " / " : ""}
          <Text
            as="span"
            color={n === on ? "ink" : "ink.soft"}
            fontWeight={n === on ? "700" : "400"}
          >
            {name}
          </Text>
        </Text>
      ))}
    </chakra.button>
  );
}
