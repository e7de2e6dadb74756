import type { CorrectionWords } from '../../knowledge/index.ts';

export const workers: CorrectionWords['workers'] = {
  electrician: 'registered electrician',
  'trained-installer': 'registered electrician trained and equipped for the connector system',
  utility: 'the network operator',
  owner: 'anyone',
};

export const ways: CorrectionWords['ways'] = {
  'own-terminals': {
    name: 'Conductors moved to their own terminals',
    when: 'The exchange sits at this box; line was found by meter against a proven earth, not by colour.',
    leaves: null,
    labels: [],
  },
  'first-exchange': {
    name: 'The first exchange upstream undone',
    when: 'Everything beyond one point shows the same: one exchange at a box or splice, or at the consumer unit.',
    leaves: null,
    labels: [],
  },
  'remake-connection': {
    name: 'The connection found and made anew',
    when: 'A wire is loose, burned or broken at a terminal or splice; cut back to sound metal first.',
    leaves: null,
    labels: [],
  },
  'splice-and-pigtail': {
    name: 'Cables spliced in the box, the device on a tail',
    when: 'The socket-outlet carries the circuit onward through its own terminals; required of a shared neutral.',
    leaves: null,
    labels: [],
  },
  'restore-ground': {
    name: 'The loose earth joined again',
    when: 'The house was wired with earths: a wire came off, was cut or was left out here or upstream.',
    leaves: null,
    labels: [],
  },
  'run-ground': {
    name: 'An earth run to an accepted point',
    when: 'The circuit has no earth and one can be brought from where the regulations let it end.',
    leaves: null,
    labels: [],
  },
  'new-cable': {
    name: 'New cable with an earth',
    when: 'Always; the surest and the dearest.',
    leaves: null,
    labels: [],
  },
  'protection-without-ground': {
    name: 'RCD protection in place of an earth',
    when: 'No earth is there: a socket-outlet with its own RCD here, a device upstream or a breaker. No earth wire is run between the socket-outlets behind it.',
    leaves:
      'It protects people, not electronics, and surge protection has nothing to work against. A tester’s button will not trip it: only the device’s own button counts.',
    labels: [],
  },
  'two-slot': {
    name: 'A two-pin socket-outlet kept or put back',
    when: 'No earth is there and none is needed.',
    leaves: 'Nothing with three pins can be plugged in, and a fault in a metal case is not carried away.',
    labels: [],
  },
  'verified-adapter': {
    name: 'A three-to-two adapter',
    when: 'Plate screw, frame, metal box and conduit were found joined to earth by meter.',
    leaves: 'Without that path, and always in a plastic box, it earths nothing while it looks as if it did.',
    labels: [],
  },
  'three-slot-without-ground': {
    name: 'A three-pin socket-outlet without an earth',
    when: 'Never without protection and labels: it promises an earth that is not there.',
    leaves: 'The next owner plugs in what needs an earth.',
    labels: [],
  },
  'jumper-to-neutral': {
    name: 'A jumper from neutral to earth',
    when: 'Never at a socket-outlet.',
    leaves: 'If the neutral opens upstream, every metal case plugged in becomes live.',
    labels: [],
  },
  'remove-jumper': {
    name: 'The jumper taken out, and the missing earth dealt with',
    when: 'A jumper is in this box or upstream. Once it is out the socket-outlet reads open earth: one of the ways for that follows.',
    leaves: null,
    labels: [],
  },
  'separate-neutral-and-ground': {
    name: 'Neutral and earth taken apart',
    when: 'They touch in a box or at a device: a bare earth against a neutral screw, a pinched wire.',
    leaves: null,
    labels: [],
  },
  'free-the-ground': {
    name: 'What makes the earth live found and taken off it',
    when: 'Power stays off until it is done. The earth is checked back to the consumer unit afterwards.',
    leaves: null,
    labels: [],
  },
  'repair-shared-neutral': {
    name: 'The shared neutral made whole',
    when: 'Power off on both phases until then; equipment on them is looked at before it is used again.',
    leaves: null,
    labels: [],
  },
  'utility-neutral': {
    name: 'The neutral of the supply made whole',
    when: 'Volts are high on one phase and low on the other all over the house.',
    leaves: null,
    labels: [],
  },
  'restore-power': {
    name: 'The way back to the breaker followed until power is found',
    when: 'Breaker, device upstream and switch were looked at and are not it.',
    leaves: null,
    labels: [],
  },
  'reset-device': {
    name: 'The device reset',
    when: 'It tripped and why is known: tested, or a fault that was put right.',
    leaves: 'What tripped it, where nobody knows.',
    labels: [],
  },
  'replace-protection': {
    name: 'The device replaced',
    when: 'It does not trip by its own button, does not reset with power at its supply side, or is at the end of its life.',
    leaves: null,
    labels: [],
  },
  'replace-receptacle': {
    name: 'The socket-outlet replaced and its connections looked at',
    when: 'It is scorched, broken, loose, painted shut or worn.',
    leaves: null,
    labels: [],
  },
  'shorter-or-fatter': {
    name: 'A shorter run or a fatter conductor',
    when: 'The drop grows evenly along the run and no connection is to blame.',
    leaves: null,
    labels: [],
  },
  'smaller-breaker': {
    name: 'The breaker matched to the conductor',
    when: 'The conductor is smaller than the breaker allows.',
    leaves: null,
    labels: [],
  },
};

export const remedies: CorrectionWords['remedies'] = {
  rewire: {
    name: 'Rewire in copper',
    says: {
      regulator: 'complete',
      retrofit: 'complete, rarely worth it',
      cautious: 'complete',
    },
  },
  'cold-weld': {
    name: 'Copper pigtails by a cold-weld crimp connector system',
    says: {
      regulator: 'complete',
      retrofit: 'good',
      cautious: 'good',
    },
  },
  'set-screw': {
    name: 'Copper pigtails by set-screw lug connectors listed for aluminium to copper',
    says: {
      regulator: 'next best',
      retrofit: 'good',
      cautious: 'good',
    },
  },
  'twist-on': {
    name: 'Copper pigtails by twist-on connectors listed for aluminium to copper, with antioxidant compound',
    says: {
      regulator: 'not a permanent repair',
      retrofit: 'the usual job; to be looked at every one or two years',
      cautious: 'taken by most insurers with a certificate',
    },
  },
  'co-alr': {
    name: 'Devices marked CO/ALR',
    says: {
      regulator: 'incomplete: for an emergency, or part of a repair',
      retrofit: 'acceptable where the style is made',
      cautious: 'not relied on',
    },
  },
  checked: {
    name: 'Left as it is after a registered electrician’s full check, with a letter',
    says: {
      regulator: 'no',
      retrofit: 'rare',
      cautious: 'rare; the insurer decides',
    },
  },
  'plain-device': {
    name: 'Devices marked CU-AL, or not marked for aluminium',
    says: {
      regulator: 'no',
      retrofit: 'no',
      cautious: 'no',
    },
  },
  taped: {
    name: 'Aluminium and copper twisted together under tape',
    says: {
      regulator: 'dangerous',
      retrofit: 'dangerous',
      cautious: 'dangerous',
    },
  },
};

export const questions: CorrectionWords['questions'] = {
  aluminum: {
    asks: 'What is a complete repair of aluminium branch wiring?',
    views: {
      regulator: {
        name: 'Regulator’s',
        says: 'Copper throughout, or copper pigtails by cold-weld crimps; set-screw lug connectors come next; the rest is not permanent.',
        source: 'CPSC publication 516',
      },
      retrofit: {
        name: 'Retrofit',
        says: 'Listed twist-on pigtails with compound, looked at every one or two years, are the usual job; CO/ALR devices where the style is made.',
        source: 'common practice',
      },
      cautious: {
        name: 'Cautious inspector’s',
        says: 'Copper, crimps or lugs; twist-on pigtails with a certificate that the insurer takes; CO/ALR devices are not relied on.',
        source: 'common practice',
      },
    },
  },
  'neutral-to-ground': {
    asks: 'How many volts from neutral to earth under load are still well?',
    views: {
      'two-volts': {
        name: 'Two volts',
        says: 'Up to 3.8 V: 2 V at 120 V, scaled to 230 V.',
        source: 'common practice',
      },
      'half-volt': {
        name: 'Half a volt',
        says: 'Under 1 V, for the sake of electronics: 0.5 V at 120 V, scaled to 230 V.',
        source: 'common practice',
      },
    },
  },
  adapters: {
    asks: 'May a three-to-two adapter be left in use?',
    views: {
      verified: {
        name: 'Where verified',
        says: 'For a time, where its tab was found earthed by meter.',
        source: 'common practice',
      },
      never: {
        name: 'Never',
        says: 'It is taken out: plate screws loosen, and nobody measures again.',
        source: 'common practice',
      },
    },
  },
  voltage: {
    asks: 'Which volts at a 120 V socket-outlet are within range?',
    views: {
      'range-a': {
        name: 'Range A',
        says: '108 to 126 V.',
        source: 'ANSI C84.1',
      },
      met: {
        name: 'As met in houses',
        says: '110 to 127 V.',
        source: 'common practice',
      },
    },
  },
  'copper-clad': {
    asks: 'How are terminals with copper-clad aluminium judged?',
    views: {
      'as-listed': {
        name: 'As listed',
        says: 'Terminals listed for copper are accepted; ampacity is that of aluminium.',
        source: 'common practice',
      },
      'as-aluminum': {
        name: 'As aluminium',
        says: 'Treated like aluminium at every terminal, or taken out.',
        source: 'common practice',
      },
    },
  },
};
