// What the alarms will do, what is in their way, and a test.
import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Action } from "../../components/recipes";
import { changeSettings, useSettings } from "../../domain/settings";
import { allowSound, play } from "./sound";
import { useAwake, useSoundAllowed } from "./useAlarms";

const BEFORE = [0, 1, 2, 5, 10] as const;

export function AlarmWords() {
  const { muted, prealert_min } = useSettings();
  const allowed = useSoundAllowed();
  const awake = useAwake();
  const [asked, setAsked] = useState(0);
  const notices = "Notification" in window ? Notification.permission : "unsupported";
  const test = () => {
    allowSound();
    // The first touch wakes the sound up; that takes a moment.
    setTimeout(() => {
      play("soon", 0);
      play("due", 0.8);
      play("out", 1.8);
    }, 150);
    navigator.vibrate?.([200, 100, 200]);
  };
  const next = BEFORE[(BEFORE.indexOf(prealert_min as 5) + 1) % BEFORE.length] ?? 0;
  const blocked = [
    muted ? "Sound is off." : allowed ? null : "Sound is blocked until you touch this page.",
    awake ? null : "This browser does not keep the screen on: a locked phone rings no alarm.",
    notices === "denied" ? "Notifications are blocked in this browser." : null,
  ].filter((one) => one !== null);
  return (
    <Box as="section" aria-label="Alarms" textStyle="small" color="ink.say" mt="4">
      {blocked.map((text) => (
        <Text key={text}>{text}</Text>
      ))}
      <Flex wrap="wrap" columnGap="2" align="baseline">
        <Action
          type="button"
          look="plain"
          textStyle="small"
          aria-pressed={!muted}
          onClick={() => changeSettings({ muted: !muted })}
        >
          {muted ? "Sound is off" : "Sound is on"}
        </Action>
        <Action
          type="button"
          look="plain"
          textStyle="small"
          onClick={() => changeSettings({ prealert_min: next })}
        >
          {prealert_min === 0 ? "No early alarm" : `Early alarm ${prealert_min} min before`}
        </Action>
        <Action type="button" look="plain" textStyle="small" onClick={test}>
          Test alarm
        </Action>
        {notices === "default" && asked === 0 ? (
          <Action
            type="button"
            look="plain"
            textStyle="small"
            onClick={() => void Notification.requestPermission().then(() => setAsked(1))}
          >
            Allow notifications
          </Action>
        ) : null}
      </Flex>
    </Box>
  );
}
