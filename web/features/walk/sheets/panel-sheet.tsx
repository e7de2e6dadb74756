import {
  type CheckState,
  checkStates,
  checksFromOutside,
  conductorMetals,
  legLayouts,
  type PanelCheck,
  panelChecks,
  panelKinds,
  panelSkips,
} from '@fair-plug/core/knowledge';
import { type House, type JobStatement, type Panel, panelsOf } from '@fair-plug/core/log';
import { Button, Checkbox, SegmentedControl } from '@mantine/core';
import { useState } from 'react';
import { v7 } from 'uuid';
import { ChoiceKeys } from '@/components/choice-keys';
import { SavedNumber, SavedText } from '@/components/saved-fields';
import { useWholeWords } from '@/components/whole-words';
import { PanelDirectory } from './panel-directory';
import { PartPhotos } from './part-photos';
import type { SheetProps } from './sheet-props';
import classes from './sheets.module.css';

type Described = Omit<Extract<JobStatement, { kind: 'panel-described' }>, 'kind' | 'panel'>;

/** Where the power comes in: what it is, what was seen at it, and its directory; or why nobody looked. */
export function PanelSheet({ job, house, walk, onClose }: SheetProps) {
  const words = useWholeWords();
  const { parts } = words;
  const panels = panelsOf(house);
  const [chosen, setChosen] = useState<string | null>(null);
  const panel = panels.find(({ id }) => id === chosen) ?? panels[0] ?? null;
  const add = (panelKind: (typeof panelKinds)[number]): void => {
    const id = v7();
    walk.record.ofHouse(parts.panelKinds[panelKind], { kind: 'panel-described', panel: id, panelKind });
    setChosen(id);
  };
  return (
    <div className={classes.sheet}>
      <p className={classes.strong}>{parts.panelCaution}</p>
      {panels.length > 1 && (
        <ChoiceKeys
          legend={parts.panel}
          choices={panels.map(({ id, name, panelKind }) => [
            id,
            name ?? (panelKind === undefined ? parts.panel : parts.panelKinds[panelKind]),
          ])}
          chosen={(id) => id === panel?.id}
          onChoose={setChosen}
        />
      )}
      {panel === null ? (
        <NotLooked house={house} walk={walk} />
      ) : (
        <OnePanel key={panel.id} job={job} panel={panel} house={house} walk={walk} />
      )}
      <div className={classes.row}>
        {panelKinds.map((kind) => (
          <Button key={kind} variant="default" onClick={() => add(kind)}>
            + {parts.panelKinds[kind]}
          </Button>
        ))}
      </div>
      <Button onClick={onClose}>Done</Button>
    </div>
  );
}

/** Why no panel is looked at. */
function NotLooked({ house, walk }: Pick<SheetProps, 'house' | 'walk'>) {
  const { parts } = useWholeWords();
  const reason = house.parts?.panelSkipped ?? null;
  return (
    <ChoiceKeys
      legend="Not looked at, because"
      choices={panelSkips.map((one) => [one, parts.panelSkips[one]] as const)}
      chosen={(one) => one === reason}
      onChoose={(one) =>
        walk.record.ofHouse(`${parts.panel}: ${parts.panelSkips[one].toLowerCase()}`, {
          kind: 'panel-skipped',
          reason: one === reason ? null : one,
        })
      }
    />
  );
}

interface OnePanelProps extends Pick<SheetProps, 'job' | 'walk'> {
  readonly panel: Panel;
  readonly house: House;
}

interface FactsProps {
  readonly panel: Panel;
  readonly onDescribe: (said: Described) => void;
}

/** What stands on it, and how its legs stand to each other. */
function PanelFacts({ panel, onDescribe }: FactsProps) {
  const { parts } = useWholeWords();
  const amps = (label: string, field: 'rating' | 'mainAmps') => (
    <SavedNumber
      label={label}
      suffix=" A"
      least={10}
      most={1200}
      value={panel[field] ?? null}
      onSave={(to) => onDescribe({ [field]: to })}
    />
  );
  return (
    <>
      <div className={classes.fields}>
        <SavedText
          label="Name"
          placeholder={parts.panel}
          longest={60}
          value={panel.name ?? null}
          onSave={(name) => name !== null && onDescribe({ name })}
        />
        {amps('Rated', 'rating')}
        {amps('Its main', 'mainAmps')}
        <SavedNumber
          label="Year on it"
          least={1700}
          most={2100}
          value={panel.madeIn ?? null}
          onSave={(madeIn) => onDescribe({ madeIn })}
        />
      </div>
      <ChoiceKeys
        legend="Kind"
        choices={panelKinds.map((one) => [one, parts.panelKinds[one]] as const)}
        chosen={(one) => one === panel.panelKind}
        onChoose={(panelKind) => onDescribe({ panelKind })}
      />
      <ChoiceKeys
        legend="Legs"
        choices={legLayouts.map((one) => [one, parts.layouts[one]] as const)}
        chosen={(one) => one === panel.legs}
        onChoose={(legs) => onDescribe({ legs })}
      />
    </>
  );
}

function OnePanel({ job, panel, house, walk }: OnePanelProps) {
  const words = useWholeWords();
  const { parts } = words;
  const title = panel.name ?? parts.panel;
  const isOpen = panel.openedAt !== undefined;
  const describe = (said: Described, what = `${title}: described`): void =>
    walk.record.ofHouse(what, { kind: 'panel-described', panel: panel.id, ...said });
  return (
    <>
      <PanelFacts panel={panel} onDescribe={describe} />
      <Checkbox
        label="I am qualified and may: its cover is off"
        checked={isOpen}
        disabled={isOpen}
        onChange={() =>
          walk.record.ofHouse(`${title}: cover off`, {
            kind: 'panel-opened',
            panel: panel.id,
            byQualified: true,
          })
        }
      />
      <ChoiceKeys
        legend="Metal at the neutral bar"
        isDisabled={!isOpen}
        choices={conductorMetals.map((one) => [one, words.metals[one].name] as const)}
        chosen={(one) => one === panel.neutralBar}
        onChoose={(neutralBar) => describe({ neutralBar })}
      />
      <Checks panel={panel} walk={walk} isOpen={isOpen} />
      <PartPhotos job={job} house={house} of="panel" about={panel.id} name={title} />
      <PanelDirectory job={job} panel={panel} house={house} walk={walk} isOpen={isOpen} />
      <Button variant="subtle" onClick={() => describe({ gone: true }, `${title}: taken off`)}>
        There is no such one
      </Button>
    </>
  );
}

interface ChecksProps extends Pick<SheetProps, 'walk'> {
  readonly panel: Panel;
  readonly isOpen: boolean;
}

/** What may be wrong at it, one after another. */
function Checks({ panel, walk, isOpen }: ChecksProps) {
  const { parts } = useWholeWords();
  const all: readonly (PanelCheck | 'compound')[] = [...panelChecks, 'compound'];
  const isFromOutside = (check: PanelCheck | 'compound'): boolean =>
    check !== 'compound' && checksFromOutside.has(check);
  return (
    <section className={classes.part} aria-label="Looked for">
      <h3>Looked for</h3>
      {all.map((check) => (
        <div key={check} className={classes.check}>
          <span>{parts.checks[check]}</span>
          <SegmentedControl
            aria-label={parts.checks[check]}
            size="md"
            // What is behind the cover may still be said not to have been looked for.
            data={checkStates.map((value) => ({
              value,
              label: parts.checkStates[value],
              disabled: !isOpen && !isFromOutside(check) && value !== 'not-looked-for',
            }))}
            value={panel.checks[check] ?? ''}
            onChange={(found) =>
              walk.record.ofHouse(
                `${parts.checks[check]}: ${parts.checkStates[found as CheckState].toLowerCase()}`,
                {
                  kind: 'panel-checked',
                  panel: panel.id,
                  check,
                  found: found as CheckState,
                },
              )
            }
          />
        </div>
      ))}
    </section>
  );
}
