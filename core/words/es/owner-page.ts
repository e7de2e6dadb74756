import type { ConditionId, Look } from '../../knowledge/index.ts';
import type { OwnerTexts, TopicWords } from '../../report/index.ts';

const words = (headline: string, why: string): TopicWords => ({ headline, why });

const caseLive = 'La carcasa metálica de todo lo que se enchufe con tres patas da corriente al tocarla.';

const conditions: Readonly<Record<ConditionId, TopicWords>> = {
  'energized-ground': words('Tierra con tensión', caseLive),
  'reversed-bootleg-ground': words(
    'Tierra falsa con polaridad invertida',
    'El probador lo da por correcto mientras la carcasa metálica de lo enchufado da corriente al tocarla.',
  ),
  'hot-ground-reversed': words('Fase y tierra invertidas', caseLive),
  'lost-shared-neutral': words(
    'Neutro compartido perdido',
    'Puede llegar hasta el doble de la tensión normal: los aparatos se queman y pueden incendiarse.',
  ),
  'open-neutral': words(
    'Neutro abierto',
    'Parece sin corriente y no lo está: lo que se encienda lleva tensión a la ranura ancha.',
  ),
  'reversed-polarity': words(
    'Polaridad invertida',
    'Los aparatos funcionan, pero apagados siguen con tensión por dentro, igual que el casquillo metálico de una lámpara.',
  ),
  'bootleg-ground': words(
    'Tierra falsa (puente con el neutro)',
    'Parece bien, y el día en que se suelte el neutro toda carcasa metálica enchufada dará corriente.',
  ),
  'neutral-ground-bond': words(
    'Neutro y tierra unidos',
    'Parte de la corriente vuelve por los cables de tierra y las piezas metálicas, y los protectores de fuga no se sostienen.',
  ),
  'open-ground': words(
    'Sin tierra',
    'Nada se lleva la corriente de una avería en una carcasa metálica, que puede quedar con tensión.',
  ),
  'neutral-ground-swapped': words(
    'Neutro y tierra cambiados',
    'Los cables de tierra, y el metal unido a ellos, llevan la corriente de todo lo que se usa.',
  ),
  'high-resistance': words(
    'Conexión deficiente',
    'Se calienta con la carga, y así empiezan los incendios en las cajas.',
  ),
  'protection-tripped': words(
    'Sin corriente, sin probar que no tenga tensión: disparado o apagado',
    'Puede haber hecho su trabajo: averigüe por qué antes de fiarse otra vez del circuito.',
  ),
  'protection-failed': words(
    'El protector de fuga no protege',
    'Hay corriente, y la protección en la que se confía no está.',
  ),
  'open-hot': words(
    'Sin corriente, sin probar que no tenga tensión',
    'Algo está apagado o suelto, y mientras no se sepa qué, nadie puede decir qué tiene tensión.',
  ),
  correct: words('Correcto', 'No hay nada que hacer.'),
};

const looks: Readonly<Record<Look, TopicWords>> = {
  scorch: words('Quemado', 'Aquí ardió algo: una conexión que se calienta volverá a calentarse.'),
  heat: words('Caliente', 'Una placa caliente con poca carga esconde una mala conexión.'),
  buzzing: words('Zumba o chisporrotea', 'Ese ruido lo hace un arco eléctrico.'),
  wet: words('Mojado', 'El agua une lo que debe estar separado, y a la persona que lo toca.'),
  cracked: words('Agrietado o roto', 'Se pueden tocar partes con tensión, o pronto se podrán.'),
  loose: words('Flojo, o los enchufes se caen', 'Los contactos gastados se calientan.'),
  'missing-plate': words('Falta la placa', 'Un dedo o un juguete alcanza los tornillos con tensión.'),
  painted: words('Pintado', 'La pintura separa los contactos y esconde grietas.'),
  'hole-up': words('Agujero de tierra arriba', 'No es un defecto.'),
  'open-junction-box': words('Caja de empalmes abierta', 'Se pueden tocar empalmes con tensión.'),
  'splice-outside-box': words(
    'Empalme fuera de una caja',
    'Un empalme que se calienta no tiene nada alrededor que no arda.',
  ),
  'extension-cord': words(
    'Alargador usado como instalación',
    'Los alargadores son más finos, se pisan y se pellizcan.',
  ),
};

const house: Readonly<Record<string, TopicWords>> = {
  'house-ungrounded': words(
    'Tomas de tres ranuras sobre una instalación sin tierra',
    'Quien enchufa lo que necesita tierra cree tenerla.',
  ),
  'house-correct-without-ground': words(
    'Parece correcto en una casa hecha sin tierra',
    'Puede ser un puente con el neutro: el día en que este se suelte, toda carcasa metálica dará corriente.',
  ),
  'house-miswired': words(
    'Mal cableado en muchos sitios: trabajo no cualificado',
    'Quien hizo esto hizo más de lo que se ve en las tomas.',
  ),
  'house-service-neutral': words(
    'El neutro de la acometida está suelto o perdido',
    'Quema aparatos y puede causar incendios. Llame ya a la compañía eléctrica.',
  ),
  'house-aluminum': words(
    'Instalación de aluminio, o indicios de ella',
    'Falla en sus conexiones: se aflojan, se oxidan y se calientan.',
  ),
  'house-small-conductors': words(
    'Cable más fino de lo que su interruptor permite',
    'Puede recalentarse en la pared antes de que salte el interruptor.',
  ),
  'house-adapters': words('Adaptadores de tres a dos en uso', 'Casi nunca dan tierra.'),
  'house-voltage': words('Tensión fuera de rango', 'Los aparatos se calientan o duran poco.'),
  'house-neutral-rise': words('El neutro sube con la carga', 'Es largo, fino o está mal unido.'),
  'house-protection': words(
    'Falta un protector de fuga',
    'Hay agua o suelo desnudo cerca: una fuga que el interruptor no nota puede matar.',
  ),
  'house-testers': words('Probadores sin comprobar', 'Un probador que falla puede no mostrar lo que hay.'),
  'halves-differ': words(
    'Las dos mitades de una toma no muestran lo mismo',
    'Lo que vale para una no dice nada de la otra.',
  ),
  'house-calibration': words('Calibración de más de un año', 'Lo que muestra puede no ser exacto.'),
  'house-coverage': words('Tomas sin probar', 'No se sabe nada de ellas.'),
  'box-push-in': words('Bornes de resorte', 'Se aflojan con el calor y con el uso.'),
  'box-nicked': words('Un conductor mellado o roto', 'Se calienta donde está mellado y se parte al moverlo.'),
  'house-new-copper': words(
    'Cobre en el cuadro de una casa de los años del aluminio',
    'Puede haber aluminio más adelante: hay que mirar en la toma más antigua.',
  ),
  panel: words('Un defecto en el cuadro eléctrico', 'De él depende que todo lo demás se pueda cortar.'),
  heat: words('Una conexión que se calienta', 'Empeora sola, y prende lo que tiene encima.'),
  'point-signs': words('Un interruptor que falla', 'Un contacto que chisporrotea o se calienta se gasta.'),
  'point-group': words(
    'Una luz que no responde a todos sus interruptores',
    'En una escalera deja a oscuras.',
  ),
  'point-plate': words('Un regulador caliente', 'Suele llevar más vatios de los que puede.'),
  'point-watts': words('Un regulador con demasiados vatios', 'Se recalienta detrás de su placa.'),
  'point-shell': words(
    'El casquillo de una lámpara tiene tensión',
    'Es lo que toca la mano al cambiar la bombilla.',
  ),
  'labels-missing': words('Faltan etiquetas', 'La siguiente persona creerá que hay tierra.'),
};

export const ownerPage: OwnerTexts = {
  language: 'es',
  name: 'Español',
  title: 'En breve, para el propietario',
  groups: {
    'act-now': {
      heading: 'Peligroso hoy',
      lead: 'No use esto. Mantenga a las personas lejos y llame a un electricista autorizado antes de volver a usarlo.',
      none: 'Nada de lo probado es peligroso de usar hoy.',
    },
    repair: {
      heading: 'Por reparar',
      lead: 'Riesgos que un electricista autorizado corrige pronto. Que algo funcione no quiere decir que sea seguro.',
      none: 'Nada de lo probado necesita reparación.',
    },
    note: { heading: 'Para saber o mejorar', lead: 'Nada de esto es urgente.', none: 'Nada más.' },
  },
  dangerousAllTheSame:
    'Nada exige actuar hoy. Algo de lo que está por reparar es peligroso de todos modos: no lo use hasta entonces.',
  worker: {
    electrician: 'electricista autorizado',
    'trained-installer': 'electricista autorizado, formado y equipado para ese sistema de conexión',
    utility: 'la compañía eléctrica',
    owner: 'cualquiera',
  },
  fine: {
    heading: 'Lo que parece correcto',
    count: (readCorrect, tested) =>
      `${readCorrect} de las ${tested} tomas probadas parecen correctas, sin reparos.`,
    limit:
      'Parece correcto: las pruebas hechas no mostraron nada malo. No es una promesa sobre lo que no pueden ver.',
  },
  unseen: {
    heading: 'Lo que no se pudo ver',
    untested: (untested, expected) =>
      `${untested} de ${expected} tomas no se probaron y nada se sabe de ellas. El informe nombra cada una.`,
    allTested: (expected) => `Se probaron las ${expected} tomas de la lista.`,
    hidden: (names) =>
      `En algunas que parecen correctas, los instrumentos usados no habrían mostrado: ${names.map((name) => name.toLowerCase()).join(', ')}.`,
    walls: ({ switches }) =>
      switches
        ? 'Paredes, techos y cajas quedaron cerrados; de interruptores y lámparas se probaron los que el informe nombra.'
        : 'Paredes, techos y cajas quedaron cerrados; interruptores y lámparas no formaron parte.',
  },
  closing: 'No abra ninguna toma ni su caja. El código local y la autoridad competente deciden qué se exige.',
  suspected: (headline) => `Por aclarar: es posible ${headline.toLowerCase()}`,
  topic: (topic) => {
    if (topic.kind === 'condition') return conditions[topic.id];
    return topic.kind === 'look' ? looks[topic.id] : (house[topic.id] ?? null);
  },
};
