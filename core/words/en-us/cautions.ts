import type { CatalogWords } from '../../knowledge/index.ts';

export const cautions: CatalogWords['cautions'] = {
  contacts:
    'Each of the three contacts can carry line voltage, whatever the lamps show. Treat all three as live.',
  'dark-is-not-dead':
    'Dark lamps do not prove a receptacle dead. Take it as live until a tester that was just proved on a live receptacle has found every contact dead.',
  stop: 'Stop testing and keep people away where the ground or a plate is live, all three lamps are lit, or there is scorching, heat, buzzing or water.',
  box: 'Only a qualified person opens a box: breaker off, then every conductor inside proved dead with a proved tester, because two circuits may share one box.',
  wet: 'No probing with wet hands, on a wet floor or in a wet box.',
  'load-test':
    'No load test where a ground may be live or a neutral lost – its own, one that two circuits share, or the service’s – nor through scorched, hot, wet, aluminum or unknown splices, nor with the occupants’ equipment on the circuit. Probe and meter come first at that receptacle; into a bad splice no longer than ten seconds, and not again to find it.',
  'ground-fault-test':
    'Testing a ground-fault device cuts power. Warn the occupants first (medical equipment, computers, freezer, sump pump) and restore it before leaving.',
  'button-needs-ground':
    'The tester’s button needs a ground that holds, and lamps that read correct: on a floating ground it makes every metal case joined to it live.',
  breaker:
    'Switch a breaker only with leave, after warning the people in the house; never switch on one that was found off. A tripped breaker may have a reason.',
  'as-found':
    'Leave everything as it was found: devices reset, plugs back in, breakers as they were. A breaker found off stays off.',
  limits:
    'This is a limited, visual inspection of what could be seen and tested when it was made. The local code and the authority having jurisdiction decide what is required; corrections are work for a licensed electrician.',
};
