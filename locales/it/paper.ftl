# Il foglio e il calendario: parole semplici, niente gradi, niente newton.

paper-title = Il programma per la tua spalla
paper-for = Per { $name }
paper-date = { $day } { $month } { $year }
paper-day = { $weeks ->
    [one] 1 settimana
   *[other] { $weeks } settimane
} e { $days ->
    [one] 1 giorno
   *[other] { $days } giorni
} dall’operazione
paper-day-injury = { $weeks ->
    [one] 1 settimana
   *[other] { $weeks } settimane
} e { $days ->
    [one] 1 giorno
   *[other] { $days } giorni
} dall’infortunio
paper-day-program = { $weeks ->
    [one] 1 settimana
   *[other] { $weeks } settimane
} e { $days ->
    [one] 1 giorno
   *[other] { $days } giorni
} dall’inizio del programma
paper-signed = Preparato con te da { $clinic } il { $date }, versione { $version }
paper-signed-plain = Preparato con te il { $date }, versione { $version }
paper-call = Chiamaci: { $text }.
paper-call-hours = Qualcuno risponde: { $text }.
paper-arm-works = Questo braccio lavora.
paper-arm-helps = Questo braccio aiuta un poco. L’altro fa di più.
paper-arm-rests-other = Questo braccio riposa. L’altro lavora.
paper-arm-rests-body = Questo braccio riposa. Lo muove il corpo.
paper-arm = { $arm ->
    [operated] Braccio operato: { $side }
    [slipped] Il braccio che è uscito: { $side }
   *[sore] Braccio dolente: { $side }
}. Nei disegni è colorato. L’altro è tratteggiato.
paper-limits = I tuoi limiti oggi
paper-avoid = Non ancora
paper-habits = Ogni giorno
paper-avoid-none = Non c’è altro da evitare.
paper-sling = Tutore
paper-sling-all = Portalo giorno e notte fino al { $date }. Toglilo solo per lavarti, vestirti e fare gli esercizi.
paper-sling-nights = Portalo di notte e tra la folla fino al { $date }. Di giorno lascialo poco a poco, prima in casa.
paper-sling-none = Il tutore non serve più.
paper-stop = Fermati e chiamaci
paper-stop-1 = Senti uno schiocco, oppure la spalla esce o sta per uscire.
paper-stop-2 = Dolore acuto, o una caduta sul braccio.
paper-still-worse = Il mattino dopo è ancora peggio? Quel giorno fai meno, e diccelo.
paper-stop-3 = Il braccio è di colpo più debole, o la mano è insensibile, fredda o blu.
paper-stop-4 = Febbre, o la ferita è rossa, aperta o bagnata.
paper-stop-4-plain = Febbre, o ti senti male.
paper-stop-blade = Dolore nuovo sopra o dietro la scapola.
paper-stop-now = Dolore al petto, fatica a respirare, o un polpaccio o un braccio gonfio: chiama subito il numero di emergenza.
paper-pain = { $max ->
    [0] Non deve fare male. Riduci il movimento o il peso finché non fa male.
   *[other] Un poco di fastidio (fino a { $max } su 10) va bene se passa entro { $hours ->
        [one] un’ora
       *[other] { $hours } ore
    }.
}
paper-pain-morning = Un poco di dolore (fino a { $max } su 10) va bene se il mattino dopo è di nuovo come al solito.
paper-pain-quick = Lanci, prese e altro lavoro veloce: non più di { $max } su 10.
paper-circuit = un giro di ogni esercizio, poi di nuovo dal primo
paper-single = una alla volta, ognuna fatta bene, con un respiro tra una e l’altra
paper-exercises = I tuoi esercizi dal { $from } al { $until }
paper-dose = { $sets ->
    [one] { $sets } serie
   *[other] { $sets } serie
} da { $repetitions }
paper-dose-timed = { $sets ->
    [one] { $sets } serie
   *[other] { $sets } serie
} da { $seconds } secondi
paper-dose-minutes = { $sets ->
    [one] { $sets } serie
   *[other] { $sets } serie
} da { $minutes ->
    [one] { $minutes } minuto
   *[other] { $minutes } minuti
}
paper-tempo = piano: andata { $out } secondi, { $pause ->
    [0] {""}
   *[other] tieni { $pause },{" "}
}ritorno { $back } secondi
paper-hold = tieni { $hold } secondi ogni volta
paper-rest = riposa { $rest } secondi tra le serie
paper-times = { $times ->
    [one] una volta al giorno
   *[other] { $times } volte al giorno
}
paper-days = { $days ->
    [7] ogni giorno
    [one] { $days } giorno alla settimana
   *[other] { $days } giorni alla settimana
}
paper-load = { $load } kg in mano
paper-elastic = elastico livello { $level }
paper-elastic-named = elastico livello { $level }, { $label }
paper-distance = stai a { $metres } m, circa { $shoes }
paper-shoe-half = mezza scarpa
paper-shoes = { $shoes ->
    [one] una scarpa
   *[other] { $shoes } scarpe
}
paper-anchor = fissato { $height ->
    [floor] a terra
    [ankle] all’altezza della caviglia
    [knee] all’altezza del ginocchio
    [waist] all’altezza della vita
    [elbow] all’altezza del gomito
    [shoulder] all’altezza del petto
    [eye] all’altezza degli occhi
   *[overhead] sopra la testa
} { $side ->
    [front] davanti a te
    [rear] dietro di te
    [same] dal lato di questo braccio
    [opposite] dall’altro lato
    [front_opposite] davanti dall’altro lato
   *[rear_same] dietro dal lato di questo braccio
}
paper-landmark-shown = come ti è stato mostrato: { $words }
paper-anchor-under = sotto il piede
paper-from-slack = Comincia con l’elastico molle, la spalla non tirata in avanti.
paper-effort-least = premi leggero come se tenessi un chicco d’uva
paper-effort-light = premi leggero, con meno di metà della tua forza
paper-effort-half = premi con circa metà della tua forza
paper-effort-firm = premi deciso, finché non fa più male
paper-effort-full = premi più forte che puoi senza più dolore
paper-bad-day = Un giorno no
paper-bad-day-text = Fai meno, non niente. Che cosa fare sta scritto a ogni esercizio. Un giorno no non è un passo indietro.
paper-easier = Giorno no: { $easier }
paper-nearer = stai { $metres } m più vicino, circa { $shoes }
paper-less-far = vai meno lontano
paper-watch = Attenzione a: { $faults }.
paper-task = Serve a: { $task }
paper-kit = Ti serve
paper-advice = Buono a sapersi
paper-may = Posso …? Prima chiedi a noi
paper-may-not-before = { $what }: non prima del { $date }
paper-kit-none = Niente di speciale.
paper-safety = Questo foglio accompagna i consigli del tuo fisioterapista e del tuo chirurgo. Non li sostituisce. Se ti dicono altro, fai come dicono loro.
paper-page = Pagina
paper-no-lines = Questa settimana non ci sono esercizi. Chiedi al tuo fisioterapista.

landmark-elevation-ribs = Gomito non più in alto delle ultime costole
landmark-elevation-chest = Gomito non più in alto di metà petto
landmark-elevation-shoulder = Gomito non più in alto della spalla
landmark-elevation-mouth = Gomito non più in alto della bocca
landmark-elevation-eyes = Gomito non più in alto degli occhi
landmark-elevation-crown = Gomito non più in alto della cima della testa
landmark-elevation-free = In alto fin dove è comodo
landmark-elevation-none = Non alzare questo braccio, neanche con aiuto
landmark-rotation-5 = Avambraccio non più in fuori di dritto davanti
landmark-rotation-35 = Mano un palmo in fuori da dritto davanti, non oltre
landmark-rotation-50 = Avambraccio a metà strada verso il lato, non oltre
landmark-rotation-free = Gira in fuori fin dove è comodo
landmark-rotation-none = Non girare in fuori questo avambraccio
landmark-active-none = Non alzare questo braccio con la sua forza
landmark-behind-none = Non portare la mano dietro la schiena
limit-passive-elevation = Alzato dall’altro braccio, bastone o tavolo
limit-passive-er-side = Girare in fuori l’avambraccio, gomito al fianco
limit-active-elevation-lying = Alzarsi da solo, da sdraiati
limit-active-elevation-upright = Alzarsi da solo, in piedi
limit-hand-behind-back = Mano dietro la schiena
landmark-behind-2 = Fino alla tasca dietro, non oltre
landmark-behind-6 = Fino alla cintura, non oltre
landmark-behind-free = Fin dove è comodo

calendar-session = Esercizi per la spalla
calendar-line-timed = { $exercise }: { $sets } × { $duration-s } s{ $times-per-day ->
    [0] {""}
    [one] , una volta
    [2] , due volte
   *[other] , { $times-per-day } volte
}
calendar-line = { $exercise }: { $sets } × { $repetitions }{ $hold-s ->
    [0] {""}
   *[other] , tieni { $hold-s } s
}{ $times-per-day ->
    [0] {""}
    [one] , una volta
    [2] , due volte
   *[other] , { $times-per-day } volte
}
calendar-session-text = { $count ->
    [one] { $count } esercizio
   *[other] { $count } esercizi
}:
    { $list }
    Fermati se esce, schiocca o fa un male acuto.
calendar-appointment = Appuntamento per la tua spalla
calendar-appointment-room = In clinica.
calendar-appointment-telephone = Per telefono: ti chiamiamo noi.
calendar-appointment-video = In video.
calendar-gate = Controllo della spalla: forse un passo avanti
calendar-gate-text = Il primo giorno possibile. Si va avanti solo se anche i controlli vanno bene.
calendar-limit = Il tuo limite può cambiare: chiedi prima di andare oltre
calendar-name = Ritorno: programma per la spalla
paper-waits = Non ancora a casa: questi li proviamo prima insieme

paper-week = Segna quello che hai fatto (–: non in quel giorno)
paper-weekday-1 = lun
paper-weekday-2 = mar
paper-weekday-3 = mer
paper-weekday-4 = gio
paper-weekday-5 = ven
paper-weekday-6 = sab
paper-weekday-7 = dom
paper-on-days = Giorni: { $days }
paper-hours = Le tue ore per questo: { $hours }
paper-next = Il tuo prossimo appuntamento: { $date }, ore { $time }
paper-start = Inizio
paper-end = Fine
paper-code = Il tuo programma sul telefono: inquadra qui con la fotocamera. Ti serve la data di nascita.

paper-phase-protect = Ora teniamo al sicuro la spalla perché guarisca.
paper-phase-protected-passive = Ora il braccio viene mosso, dentro i tuoi limiti, perché resti morbido.
paper-phase-assisted-to-active = Ora il tuo braccio comincia ad aiutare, un poco di più ogni settimana.
paper-phase-early-strength = Ora la spalla impara a lavorare con carichi leggeri.
paper-phase-late-strength = Ora la spalla diventa più forte, passo per passo.
paper-phase-return = Ora torni al tuo lavoro e al tuo gioco, passo per passo.
paper-phase-active = Ora il tuo braccio si muove con la sua forza.
paper-phase-active-light = Ora il tuo braccio si muove da solo e lavora con carichi molto leggeri.
paper-phase-assisted = Ora l’altro braccio aiuta questo a muoversi.
paper-phase-assisted-active = Ora il tuo braccio si muove con aiuto, e poi da solo.
paper-phase-ballistic = Ora la spalla impara il lavoro veloce.
paper-phase-base-check = Ora guardiamo che cosa sa fare la spalla.
paper-phase-build = Ora costruiamo la forza, passo per passo.
paper-phase-calm = Ora lasciamo calmare la spalla.
paper-phase-calm-blade = Ora lasciamo calmare la spalla e insegniamo alla scapola a muoversi bene.
paper-phase-calm-motion = Ora lasciamo calmare la spalla e la teniamo in movimento.
paper-phase-calm-passive = Ora lasciamo calmare la spalla, e viene mossa per te.
paper-phase-control = Ora la spalla impara a muoversi bene, senza fretta.
paper-phase-early-motion = Ora la spalla ricomincia a muoversi, un poco alla volta.
paper-phase-eccentric = Ora la spalla diventa più forte abbassando piano i carichi.
paper-phase-flexibility = Ora rendiamo la spalla più morbida.
paper-phase-full-active = Ora il tuo braccio si muove da solo, fin dove è comodo.
paper-phase-function = Ora alleniamo quello che ti serve ogni giorno.
paper-phase-heavy = Ora la spalla impara il lavoro più pesante, e quello sopra la testa.
paper-phase-integrate = Ora uniamo le parti in movimenti interi.
paper-phase-interval = Ora torni al tuo sport o lavoro, un poco alla volta con pause in mezzo.
paper-phase-irritable = Ora per prima cosa lasciamo calmare la spalla.
paper-phase-keep = Ora teniamo quello che hai raggiunto.
paper-phase-learn = Ora impari che cosa fa bene alla tua spalla.
paper-phase-light-strength = Ora la spalla comincia a lavorare con carichi leggeri.
paper-phase-loading = Ora la spalla si abitua ai carichi, passo per passo.
paper-phase-low-range = Ora ci alleniamo con il braccio basso.
paper-phase-maintain = Ora teniamo quello che hai raggiunto.
paper-phase-mid-range = Ora ci alleniamo a metà del movimento, lontano dai due estremi.
paper-phase-mid-range-strength = Ora la spalla diventa più forte a metà del movimento.
paper-phase-motion = Ora riprendiamo il movimento.
paper-phase-motion-control = Ora riprendiamo il movimento, e tu impari a guidarlo.
paper-phase-overhead-heavy = Ora la spalla impara il lavoro più pesante, e quello sopra la testa.
paper-phase-passive-assisted = Ora il braccio viene mosso per te, e poi con il tuo aiuto.
paper-phase-plyometric = Ora la spalla impara il lavoro veloce.
paper-phase-protect-passive = Ora teniamo al sicuro la spalla, e viene mossa per te.
paper-phase-protected-motion = Ora la spalla si muove dentro limiti sicuri.
paper-phase-re-educate = Ora la spalla impara di nuovo a muoversi.
paper-phase-restore = Ora riprendiamo il movimento.
paper-phase-return-limited = Ora torni a quello che questa spalla sa fare bene.
paper-phase-safe-range = Ora ci muoviamo dove è sicuro.
paper-phase-self-manage = Ora ti prendi cura tu della spalla.
paper-phase-specific = Ora ci alleniamo per il tuo sport e il tuo lavoro.
paper-phase-stiff = Ora riprendiamo il movimento, piano e spesso.
paper-phase-strength = Ora la spalla diventa più forte.
paper-phase-strength-90 = Ora la spalla diventa più forte fino all’altezza della spalla.
paper-phase-thawing = Ora il movimento torna, e noi lo aiutiamo.
