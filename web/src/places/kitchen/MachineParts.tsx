// What a machine may have besides its floor: racks and a spit.
import type { Spit } from "../../api/types";
import { Action } from "../../components/recipes";
import * as show from "../../lib/units";
import { Measure } from "./Measure";
import type { MachineSentenceProps } from "./props";

type PartProps = MachineSentenceProps & {
  mm: { units: show.Units; show: typeof show.length; step: number };
};

export function Racks({ machine, wrong, onChange, mm }: PartProps) {
  const racks = machine.racks_mm ?? [];
  const put = (next: number[]) => onChange({ racks_mm: next.length > 0 ? next : undefined });
  const add = () => put([...racks, Math.round(Math.max(0, ...racks) + 45)]);
  return (
    <>
      {racks.length > 0 ? "Racks can stand at " : "It has no racks"}
      {racks.map((rack, n) => (
        <span key={n}>
          {n === 0 ? "" : n === racks.length - 1 ? " and " : ", "}
          <Measure
            {...mm}
            label={`Rack ${n + 1}`}
            typed="rack_mm"
            range={[0, machine.height_mm]}
            value={rack}
            wrong={wrong === "racks_mm"}
            onChange={(next) =>
              put(
                next === undefined
                  ? racks.toSpliced(n, 1)
                  : racks.map((at, m) => (m === n ? next : at)),
              )
            }
            without={{ text: "", usual: rack, undo: "Take this rack out" }}
          />
        </span>
      ))}{" "}
      (
      <Action type="button" look="inline" textStyle="line" onClick={add}>
        {racks.length > 0 ? "one more" : "add one"}
      </Action>
      ).
    </>
  );
}

const USUAL_SPIT: Spit = { spit_length_mm: 220, spit_diameter_mm: 150, spit_heaviest_g: 2000 };

export function OnTheSpit({ machine, wrong, units, onChange, mm }: PartProps) {
  const { spit } = machine;
  const part = (change: Partial<Spit>) => onChange({ spit: { ...USUAL_SPIT, ...spit, ...change } });
  const toggle = (
    <Action
      type="button"
      look="inline"
      textStyle="line"
      onClick={() => onChange({ spit: spit ? undefined : USUAL_SPIT })}
    >
      {spit ? "no spit" : "add one"}
    </Action>
  );
  if (!spit) return <>It has no spit ({toggle}).</>;
  return (
    <>
      Its spit takes{" "}
      <Measure
        {...mm}
        label="Between the forks"
        typed="spit_length_mm"
        range={[80, 450]}
        value={spit.spit_length_mm}
        wrong={wrong === "spit_length_mm"}
        onChange={(length = spit.spit_length_mm) => part({ spit_length_mm: length })}
      />{" "}
      between the forks, turns{" "}
      <Measure
        {...mm}
        label="Diameter that turns"
        typed="spit_diameter_mm"
        range={[50, 300]}
        value={spit.spit_diameter_mm}
        wrong={wrong === "spit_diameter_mm"}
        onChange={(diameter = spit.spit_diameter_mm) => part({ spit_diameter_mm: diameter })}
      />{" "}
      and bears{" "}
      <Measure
        units={units}
        label="Weight it bears"
        typed="spit_heaviest_g"
        show={show.mass}
        step={units.weight === "metric" ? 100 : 113.4}
        range={[300, 5000]}
        value={spit.spit_heaviest_g}
        wrong={wrong === "spit_heaviest_g"}
        onChange={(heaviest = spit.spit_heaviest_g) => part({ spit_heaviest_g: heaviest })}
      />{" "}
      ({toggle}).
    </>
  );
}
