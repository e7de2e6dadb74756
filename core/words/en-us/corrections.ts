import type { CorrectionWords } from '../../knowledge/index.ts';

// Longer than other files: one table of texts, read from top to bottom beside the one of the other English.

export const workers: CorrectionWords['workers'] = {
  electrician: 'licensed electrician',
  'trained-installer': 'licensed electrician trained and equipped for the connector system',
  utility: 'the utility',
  owner: 'anyone',
};

export const ways: CorrectionWords['ways'] = {
  'own-terminals': {
    name: 'Conductors moved to their own terminals',
    when: 'The exchange sits at this box; hot was found by meter against a proven ground, not by colour.',
    leaves: null,
    labels: [],
  },
  'first-exchange': {
    name: 'The first exchange upstream undone',
    when: 'Everything beyond one point shows the same: one exchange at a box or splice, or at the panel.',
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
    name: 'Cables spliced in the box, the device on a pigtail',
    when: 'The receptacle carries the circuit onward through its own terminals; required of a shared neutral.',
    leaves: null,
    labels: [],
  },
  'restore-ground': {
    name: 'The loose ground joined again',
    when: 'The house was wired with grounds: a wire came off, was cut or was left out here or upstream.',
    leaves: null,
    labels: [],
  },
  'run-ground': {
    name: 'A ground run to an accepted point',
    when: 'The circuit has no ground and one can be brought from where the code lets it end.',
    leaves: null,
    labels: [],
  },
  'new-cable': {
    name: 'New cable with a ground',
    when: 'Always; the surest and the dearest.',
    leaves: null,
    labels: [],
  },
  'protection-without-ground': {
    name: 'Ground-fault protection in place of a ground',
    when: 'No ground is there: a ground-fault receptacle here, a device upstream or a breaker. No ground wire is run between the receptacles behind it.',
    leaves:
      'It protects people, not electronics, and surge protection has nothing to work against. A tester’s button will not trip it: only the device’s own button counts.',
    labels: ['“No Equipment Ground”', '“GFCI Protected” where the device is elsewhere'],
  },
  'two-slot': {
    name: 'A two-slot receptacle kept or put back',
    when: 'No ground is there and none is needed.',
    leaves: 'Nothing with three prongs can be plugged in, and a fault in a metal case is not carried away.',
    labels: [],
  },
  'verified-adapter': {
    name: 'A three-to-two adapter',
    when: 'Plate screw, yoke, metal box and raceway were found joined to ground by meter.',
    leaves: 'Without that path, and always in a plastic box, it grounds nothing while it looks as if it did.',
    labels: [],
  },
  'three-slot-without-ground': {
    name: 'A three-slot receptacle without a ground',
    when: 'Never without protection and labels: it promises a ground that is not there.',
    leaves: 'The next owner plugs in what needs a ground.',
    labels: [],
  },
  'jumper-to-neutral': {
    name: 'A jumper from neutral to ground',
    when: 'Never at a receptacle.',
    leaves: 'If the neutral opens upstream, every metal case plugged in becomes live.',
    labels: [],
  },
  'remove-jumper': {
    name: 'The jumper taken out, and the missing ground dealt with',
    when: 'A jumper is in this box or upstream. Once it is out the receptacle reads open ground: one of the ways for that follows.',
    leaves: null,
    labels: [],
  },
  'separate-neutral-and-ground': {
    name: 'Neutral and ground taken apart',
    when: 'They touch in a box or at a device: a bare ground against a neutral screw, a pinched wire.',
    leaves: null,
    labels: [],
  },
  'free-the-ground': {
    name: 'What makes the ground live found and taken off it',
    when: 'Power stays off until it is done. The ground is checked back to the panel afterwards.',
    leaves: null,
    labels: [],
  },
  'repair-shared-neutral': {
    name: 'The shared neutral made whole',
    when: 'Both breakers of the shared neutral off until then (NEC 210.4(B): one handle opens both); equipment on them is looked at before it is used again.',
    leaves: null,
    labels: [],
  },
  'utility-neutral': {
    name: 'The service neutral made whole',
    when: 'Volts are high on one leg and low on the other all over the house.',
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
    when: 'It does not trip by its own button, does not reset with power at its line side, or is at the end of its life.',
    leaves: null,
    labels: [],
  },
  'replace-receptacle': {
    name: 'The receptacle replaced and its connections looked at',
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
    name: 'Copper pigtails by set-screw lug connectors listed for aluminum to copper',
    says: {
      regulator: 'next best',
      retrofit: 'good',
      cautious: 'good',
    },
  },
  'twist-on': {
    name: 'Copper pigtails by twist-on connectors listed for aluminum to copper, with antioxidant compound',
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
    name: 'Left as it is after a licensed electrician’s full check, with a letter',
    says: {
      regulator: 'no',
      retrofit: 'rare',
      cautious: 'rare; the insurer decides',
    },
  },
  'plain-device': {
    name: 'Devices marked CU-AL, or not marked for aluminum',
    says: {
      regulator: 'no',
      retrofit: 'no',
      cautious: 'no',
    },
  },
  taped: {
    name: 'Aluminum and copper twisted together under tape',
    says: {
      regulator: 'dangerous',
      retrofit: 'dangerous',
      cautious: 'dangerous',
    },
  },
};

export const questions: CorrectionWords['questions'] = {
  aluminum: {
    asks: 'What is a complete repair of aluminum branch wiring?',
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
    asks: 'How many volts from neutral to ground under load are still well?',
    views: {
      'two-volts': {
        name: 'Two volts',
        says: 'Up to 2 V.',
        source: 'common practice',
      },
      'half-volt': {
        name: 'Half a volt',
        says: 'Under 0.5 V, for the sake of electronics.',
        source: 'common practice',
      },
    },
  },
  adapters: {
    asks: 'May a three-to-two adapter be left in use?',
    views: {
      verified: {
        name: 'Where verified',
        says: 'For a time, where its tab was found grounded by meter.',
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
    asks: 'Which volts at a 120 V receptacle are within range?',
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
    asks: 'How are terminals with copper-clad aluminum judged?',
    views: {
      'as-listed': {
        name: 'As listed',
        says: 'Terminals listed for copper are accepted; ampacity is that of aluminum.',
        source: 'common practice',
      },
      'as-aluminum': {
        name: 'As aluminum',
        says: 'Treated like aluminum at every terminal, or taken out.',
        source: 'common practice',
      },
    },
  },
};

export const references: CorrectionWords['references'] = {
  'nec-110.14': {
    code: 'NEC',
    section: '110.14',
    says: 'Terminals and splices suit the metal of the conductor; unlike metals are joined only in devices listed for both.',
  },
  'nec-200.10': {
    code: 'NEC',
    section: '200.10(B)',
    says: 'The neutral terminal of a receptacle is marked.',
  },
  'nec-200.11': {
    code: 'NEC',
    section: '200.11',
    says: 'No neutral conductor goes to a terminal that would reverse polarity.',
  },
  'nec-210.4': {
    code: 'NEC',
    section: '210.4(B)',
    says: 'All hots of a shared neutral are disconnected together, where their circuits begin.',
  },
  'nec-210.8': {
    code: 'NEC',
    section: '210.8',
    says: 'Where ground-fault protection is required in new work.',
  },
  'nec-210.19': {
    code: 'NEC',
    section: '210.19(A), informational note',
    says: 'At most 3 % drop on a branch circuit, 5 % with its feeder, is recommended.',
  },
  'nec-240.4': {
    code: 'NEC',
    section: '240.4(D)',
    says: 'Copper: 14 AWG at 15 A, 12 AWG at 20 A, 10 AWG at 30 A at most; aluminum: 12 AWG at 15 A, 10 AWG at 25 A.',
  },
  'nec-250.130': {
    code: 'NEC',
    section: '250.130(C)',
    says: 'Where a grounding conductor that is added to an old circuit may end.',
  },
  'nec-250.140': {
    code: 'NEC',
    section: '250.140',
    says: 'Existing range and dryer circuits may ground their frames through the neutral.',
  },
  'nec-250.142': {
    code: 'NEC',
    section: '250.142(B)',
    says: 'Past the service, the neutral is not used for grounding.',
  },
  'nec-250.148': {
    code: 'NEC',
    section: '250.148',
    says: 'Grounds in a box are joined so that taking a device out leaves them whole.',
  },
  'nec-300.13': {
    code: 'NEC',
    section: '300.13(B)',
    says: 'On a shared neutral, taking a device out must not open the neutral.',
  },
  'nec-406.3': {
    code: 'NEC',
    section: '406.3(C)',
    says: 'Receptacles of 20 A or less straight on aluminum are marked CO/ALR.',
  },
  'nec-404.14': {
    code: 'NEC',
    section: '404.14(C)',
    says: 'Switches of 20 A or less straight on aluminum are marked CO/ALR.',
  },
  'nec-406.4-d2': {
    code: 'NEC',
    section: '406.4(D)(2)',
    says: 'Where there is no ground: two slots, or ground-fault protection with its labels.',
  },
  'nec-406.4-d3': {
    code: 'NEC',
    section: '406.4(D)(3)–(6)',
    says: 'A receptacle that is replaced may need today’s ground-fault, arc-fault, tamper- and weather-resistance.',
  },
  'ul-943': {
    code: 'UL 943',
    section: '',
    says: 'A ground-fault device trips at 6 mA and above, within (20/I)^1.43 s at most, I in mA.',
  },
  'ansi-c84.1': {
    code: 'ANSI C84.1',
    section: 'range A',
    says: '114 to 126 V at the service, 108 to 126 V at the receptacle (110 V in older editions).',
  },
  'cpsc-516': {
    code: 'CPSC publication 516',
    section: '',
    says: 'Repairs of aluminum branch wiring; homes with it made before 1972 were found 55 times as likely to have a connection reach fire-hazard condition.',
  },
  'neta-mts': {
    code: 'ANSI/NETA MTS',
    section: 'table 100.18',
    says: 'Rise over a similar component under similar load: 1–3 °C possible, 4–15 °C probable deficiency, above 15 °C major.',
  },
  'bs-7671': {
    code: 'BS 7671',
    section: '',
    says: 'Wiring rules where socket-outlets are of the UK style.',
  },
  'iec-61008': {
    code: 'IEC 61008',
    section: '',
    says: 'A 30 mA residual-current device trips within 300 ms at its rated current, 40 ms at five times it.',
  },
};
