# La pagina sul telefono del paziente: parole semplici, niente gradi, niente newton.

phone-title = Il programma per la tua spalla
phone-open-lead = Questa pagina è solo per te. Quando sei nato o nata?
phone-day = Giorno
phone-month = Mese
phone-year = Anno
phone-open = Apri
phone-closed = Non abbiamo potuto aprire questa pagina. Controlla la data di nascita. Se è giusta, forse il link è scaduto: chiedine uno nuovo alla clinica.
phone-wait = Troppi tentativi. Aspetta un poco, poi riprova.
phone-no-network = Adesso non c’è rete. Riprova quando c’è.
phone-date-needed = Scrivi giorno, mese e anno in numeri.

phone-broken = Questa pagina ha un guasto. Quello che ci hai detto è al sicuro.
phone-again = Apri di nuovo

phone-today = Oggi
phone-hello = Ciao { $name }
phone-next = Prossimo appuntamento: { $day }, { $time }
phone-start = Comincia
phone-go-on = Continua
phone-all-planned = Ho fatto tutto come previsto
phone-all-done = Per oggi è tutto fatto. Bene.
phone-done-times = { $times ->
    [0] oggi non ancora
    [one] fatto una volta oggi
   *[other] fatto { $times } volte oggi
}
phone-of = { $place } di { $count }
phone-back = Torna alla lista
phone-done = Fatto
phone-skip = Oggi no, perché
phone-skip-hurt = fa male
phone-skip-tired = mi sento troppo giù di forze
phone-skip-no_time = non ho tempo
phone-skip-no_kit = manca qualcosa
phone-skip-unsure = non so bene come si fa
phone-skipped = oggi lasciato
phone-bad-day = Un giorno no: fai meno
phone-bad-day-told = Segnato. Ora ogni esercizio dice che cosa fare invece. Un giorno no non è un passo indietro.
phone-pain-ask = Quanto ha fatto male mentre lo facevi?
phone-pain-none = per niente
phone-pain-some = si sente
phone-pain-much = dà fastidio
phone-pain-strong = ti ferma
phone-morning-ask = Come va la spalla stamattina?
phone-morning-thanks = Grazie. Segnato.
phone-round = serie { $round } di { $rounds }
phone-round-done = Questa serie è fatta
phone-move = Mostra come si muove
phone-still = Ferma il disegno
phone-count-along = Conta con me
phone-sound = Il suono è acceso
phone-quiet = Il suono è spento
phone-beat-out = via
phone-beat-pause = resta
phone-beat-back = torna piano
phone-beat-hold = tieni
phone-beat-go = continua
phone-beat-breath = lascia
phone-beat-rest = riposa
phone-beat-at = { $repetition } di { $repetitions }{ $rounds ->
    [1] {""}
   *[other] , serie { $round } di { $rounds }
}
phone-beat-next = Poi la serie { $round }
phone-beat-wait = Aspetta
phone-beat-on = Continua
phone-beat-end = Fine
phone-calendar = Metti i giorni nel mio calendario
phone-calendar-keep = Tieni aggiornato il mio calendario da solo
phone-calendar-kept = Tocca l’indirizzo per aggiungerlo al tuo calendario, o copialo lì. Si vede solo questa volta. Non mostrarlo a nessuno: chi lo ha vede i tuoi giorni. Finisce quando finisce la tua pagina.
phone-left-hand = Tasti per la mano sinistra
phone-right-hand = Tasti per la mano destra
phone-limits = I tuoi limiti oggi
phone-more = Buono a sapersi
phone-no-limits = Oggi non ci sono limiti.
phone-kit = Ti serve

phone-paused = I tuoi esercizi sono in pausa
phone-paused-flag = Ci hai detto qualcosa che dobbiamo guardare prima. Non fare esercizi finché non ci siamo parlati. Se non ci hai ancora sentito, chiama la clinica.
phone-paused-changing = Il tuo programma sta cambiando. Non fare esercizi finché non c’è quello nuovo. Se ci vuole molto, chiedi alla clinica.
phone-paused-unsigned = Per te non c’è ancora un programma. Chiedi alla clinica.
phone-rests = Oggi riposano:
phone-none-today = Oggi non ci sono esercizi.

phone-stop = Stop
phone-slip = È uscita
phone-slip-sure = La spalla è uscita, o stava per uscire?
phone-slip-yes = Sì, è uscita
phone-slip-no = No
phone-slip-told = Per oggi basta. Metti il braccio comodo. Chiama oggi la clinica.
phone-stop-ask = Che cosa non va?
phone-stop-lead = Non continuare l’esercizio. Tocca quello che è vero: ti diciamo che cosa fare, e lo veniamo a sapere anche noi.
phone-stop-none = Niente di questo: torna indietro
phone-told-now = Chiama subito il numero di emergenza
phone-told-now-why = Oppure fatti portare al pronto soccorso. Non aspettare noi.
phone-told-day = Lascia tutti gli esercizi e chiama oggi la clinica
phone-told-day-why = Se oggi non ci trovi, vai al pronto soccorso.
phone-told-sent = La clinica lo sa.
phone-told-waits = Non c’è rete: la clinica lo saprà appena c’è. Chiama, non aspettare la rete.
phone-sharp = Dolore acuto durante l’esercizio
phone-sharp-told = Lascia questo esercizio. Chiama la clinica se non si calma entro pochi minuti.

phone-flag-chest-pain = Dolore al petto, fatica a respirare, o un polpaccio o un braccio gonfio
phone-flag-limb-blood = La mano è fredda, bianca o blu
phone-flag-stays-out = La spalla è fuori e resta fuori
phone-flag-deformity = La spalla ha una forma strana dopo una caduta
phone-flag-infection = Febbre, o la ferita è rossa, aperta o bagnata
phone-flag-hand-numb = La mano o il braccio è insensibile o formicola
phone-flag-pop = Ho sentito uno schiocco o uno strappo
phone-flag-new-weakness = Il braccio è di colpo molto più debole

phone-waiting = { $count ->
    [one] Una cosa che ci hai detto aspetta
   *[other] { $count } cose che ci hai detto aspettano
} la rete. Niente va perso.
phone-refused = { $count ->
    [one] Una cosa che ci hai detto non è stata presa.
   *[other] { $count } cose che ci hai detto non sono state prese.
} Diccelo al prossimo appuntamento:
phone-offline = Niente rete: questo è quello che sapevamo, del { $day }.
phone-write = Scrivi alla clinica
phone-write-read = Leggiamo questo { $hours }.
phone-write-some-day = Leggiamo questo quando la clinica è aperta.
phone-write-not-urgent = Se ora qualcosa non va, non scrivere: tocca Stop, o chiama.
phone-write-words = Le tue parole
phone-write-send = Manda
phone-write-waits = aspetta la rete
phone-write-lost = non è stato preso: diccelo al prossimo appuntamento
phone-write-seen = letto
phone-write-unseen = non ancora letto
phone-asked = Hai scritto di qualcosa che non può aspettare che lo leggiamo.
phone-asked-seen = L’ho visto
phone-hours = dalle { $from } alle { $until }
phone-days = da { $first } a { $last }
phone-weekday-1 = lunedì
phone-weekday-2 = martedì
phone-weekday-3 = mercoledì
phone-weekday-4 = giovedì
phone-weekday-5 = venerdì
phone-weekday-6 = sabato
phone-weekday-7 = domenica
phone-always = Fermati e chiamaci, sempre
phone-emergency = In un’emergenza chiama il numero di emergenza, non noi. Di notte nessuno legge questa pagina.
phone-month-1 = gennaio
phone-month-2 = febbraio
phone-month-3 = marzo
phone-month-4 = aprile
phone-month-5 = maggio
phone-month-6 = giugno
phone-month-7 = luglio
phone-month-8 = agosto
phone-month-9 = settembre
phone-month-10 = ottobre
phone-month-11 = novembre
phone-month-12 = dicembre
phone-date = { $day } { $month }
phone-always-1 = Senti uno schiocco, oppure la spalla esce o sta per uscire.
phone-always-2 = Dolore acuto, o una caduta sul braccio.
phone-always-3 = Il braccio è di colpo più debole, o la mano è insensibile, fredda o blu.
phone-always-4 = Febbre, o una ferita rossa, aperta o bagnata.
phone-always-now = Dolore al petto, fatica a respirare, o un polpaccio o un braccio gonfio: chiama subito il numero di emergenza.
phone-call = Chiama { $name }:
phone-clinic = la clinica

phone-reminders = I promemoria sono accesi.
phone-no-reminders = Basta promemoria
phone-reminders-ended = Non ricevi più promemoria. La clinica può riaccenderli.
