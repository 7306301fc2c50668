# Nomi e istruzioni degli esercizi: quello che il paziente legge. Parole semplici, niente gradi.

# Come si chiama il braccio, e dove riposa.
the-arm = { $arm ->
    [operated] il braccio operato
    [slipped] il braccio che è uscito
   *[sore] il braccio dolente
}
resting = { $sling ->
    [on] nel tutore
   *[off] in grembo
}
freed = { $sling ->
    [on] Sfila il tutore e lascia
   *[off] Lascia
}

ex-hand-elbow-finger-open-close = Apri e chiudi le dita
    .start = Siediti con il braccio appoggiato { resting }.
    .how = Apri bene le dita, poi chiudile in un pugno morbido.
    .task = Tenere una tazza

ex-hand-elbow-wrist-bend = Piega il polso
    .start = Siediti con l’avambraccio appoggiato su un cuscino.
    .how = Piega il polso in su finché è facile, poi in giù.
    .task = Voltare pagina

ex-hand-elbow-palm-turn = Palmo su, palmo giù
    .start = Siediti con il gomito piegato e vicino al fianco.
    .how = Gira il palmo verso il soffitto, poi verso il pavimento. Gira solo l’avambraccio.
    .task = Girare una chiave

ex-hand-elbow-elbow-bend = Piega e stendi il gomito
    .start = In piedi. { freed } la parte alta del braccio appoggiata al fianco.
    .how = Stendi piano il gomito, poi piegalo. La parte alta del braccio non si muove.
    .task = Portare la mano alla bocca

ex-hand-elbow-ball-squeeze = Stringi una palla morbida
    .start = Siediti con l’avambraccio appoggiato, in mano una palla morbida o un calzino arrotolato.
    .how = Stringi con circa metà della tua forza, tieni, e lascia piano.
    .task = Aprire un barattolo

ex-posture-tall-sitting = Schiena lunga da seduti
    .start = Siediti verso il bordo di una sedia, braccio { resting }.
    .how = Allungati con la testa verso l’alto e lascia morbide le spalle. Tieni, poi riposa.
    .task = Lavoro alla scrivania

ex-posture-chin-back = Mento indietro
    .start = Siediti con la schiena lunga, occhi dritti davanti.
    .how = Porta il mento dritto indietro, come per fare il doppio mento. Tieni, poi lascia.
    .task = Stare alla guida

ex-posture-ear-to-shoulder = Orecchio verso la spalla
    .start = Siediti con la schiena lunga, braccio { resting }.
    .how = Piega l’orecchio verso una spalla finché tira un poco, poi verso l’altra.
    .task = Sciogliere il collo teso

ex-posture-quiet-breathing = Respiro calmo
    .start = Sdraiati sulla schiena, il braccio sostenuto da un cuscino.
    .how = Inspira dal naso così che la pancia salga, e lasciala scendere piano.
    .task = Dormire e calmare il dolore

ex-shoulder-blade-clock = L’orologio della scapola
    .start = Siediti con la schiena lunga, braccio { resting }, il braccio fermo.
    .how = Fai scivolare un poco la scapola su, giù, avanti e indietro, come verso quattro ore di un orologio.
    .task = Sentire dov’è la spalla

ex-shoulder-blade-setting = Sistema piano la scapola
    .start = Siediti con la schiena lunga, braccio { resting }.
    .how = Porta la scapola un poco indietro, più leggero che puoi. Tieni, poi lascia.
    .task = Stare alla scrivania

ex-blade-lift-shrug = Alza e abbassa le spalle
    .start = Siediti con la schiena lunga, braccio { resting }.
    .how = Alza un poco le due spalle verso le orecchie, poi abbassale piano.
    .task = Mettere una tracolla sulla spalla

ex-blade-lift-roll = Giri di spalle
    .start = Siediti con la schiena lunga, braccio { resting }.
    .how = Fai girare le spalle in su, indietro e in giù, piccolo e lento.
    .task = Sciogliere la tensione

ex-shoulder-blade-table-reach = Allungo sul tavolo con la scapola
    .start = Siediti al tavolo, l’avambraccio su un panno.
    .how = Fai scivolare la mano un poco avanti muovendo la scapola, poi riportala.
    .task = Prendere una tazza

ex-pendulum-cradle = Culla il braccio
    .start = Siediti. Culla { the-arm } con l’altro braccio, come un bambino.
    .how = Dondola piano il corpo e lascia che il braccio lo segua. Il braccio cullato dorme.
    .task = Lavarsi sotto il braccio

ex-pendulum-forward-back = Dondolo appeso, avanti e indietro
    .start = Piegati in avanti, l’altra mano sul tavolo. Lascia pendere { the-arm }.
    .how = Sposta il corpo avanti e indietro così che il braccio dondoli da solo, un palmo per parte.
    .task = Infilare una manica

ex-pendulum-side-to-side = Dondolo appeso, da un lato all’altro
    .start = Piegati in avanti, l’altra mano sul tavolo. Lascia pendere { the-arm }.
    .how = Passa il peso da un piede all’altro così che il braccio dondoli un poco di lato.
    .task = Lavarsi sotto il braccio

ex-pendulum-circles = Dondolo appeso, piccoli cerchi
    .start = Piegati in avanti, l’altra mano sul tavolo. Lascia pendere { the-arm }.
    .how = Muovi il corpo in un piccolo cerchio così che la mano disegni un cerchio grande come un piatto. Poi dall’altra parte.
    .task = Mettere il cappotto

ex-assisted-elevation-lying-other-hand = Alza da sdraiati con l’altra mano
    .start = Sdraiati sulla schiena, un cuscino piccolo sotto il braccio. Prendi il polso con l’altra mano.
    .how = Lascia che l’altro braccio alzi { the-arm }. Resta pesante. Fermati al limite, poi abbassa piano.
    .task = Mano alla fronte da sdraiati

ex-table-slide-forward = Scivola sul tavolo, in avanti
    .start = Siediti al tavolo, questa mano su un panno.
    .how = Piegati in avanti dalle anche e lascia scivolare via la mano. Torna raddrizzandoti.
    .task = Pulire il tavolo

ex-table-slide-to-side = Scivola sul tavolo, di lato
    .start = Siediti di fianco al tavolo, questa mano su un panno.
    .how = Piegati verso il tavolo e lascia scivolare la mano tra avanti e lato. Poi raddrizzati.
    .task = Allungarsi sul letto

ex-assisted-elevation-lying-stick = Alza da sdraiati con un bastone
    .start = Sdraiati sulla schiena, le due mani su un bastone.
    .how = Porta il bastone in su e indietro: guida il braccio sano. Fermati, poi abbassa piano.
    .task = Tirare su la coperta

ex-assisted-elevation-pulley = Carrucola, schiena alla porta
    .start = Siediti sotto la carrucola con la schiena alla porta, una maniglia per mano.
    .how = Tira giù con il braccio sano: così { the-arm } sale. Abbassalo piano.
    .task = Appendere il cappotto

ex-assisted-elevation-standing-stick = Alza in piedi con un bastone
    .start = In piedi, le due mani su un bastone davanti a te.
    .how = Alza il bastone fino al limite, guida il braccio sano, e abbassalo piano.
    .task = Alzare una scatola leggera con due mani

ex-assisted-external-rotation-lying-stick = Gira in fuori da sdraiati con un bastone
    .start = Sdraiati sulla schiena, il gomito piegato su un asciugamano al fianco. Tieni un bastone con le due mani.
    .how = Spingi con la mano sana così che l’altro avambraccio giri in fuori. Fermati al limite, torna.
    .task = Aprire una porta

ex-assisted-external-rotation-at-table = Gira in fuori al tavolo
    .start = Siediti con questo avambraccio sul tavolo, il gomito vicino al fianco.
    .how = Tieni fermo l’avambraccio e gira il corpo dall’altra parte, fino al limite. Torna.
    .task = Usare il mouse

ex-assisted-external-rotation-lying-arm-away = Gira in fuori da sdraiati, braccio scostato
    .start = Sdraiati sulla schiena, il gomito su un asciugamano a metà strada tra il fianco e la spalla. Tieni un bastone con le due mani.
    .how = Spingi con la mano sana così che l’avambraccio vada indietro. Fermati al limite, torna.
    .task = Girare il volante

ex-internal-rotation-reach-hand-to-belly = Mano alla pancia, con aiuto
    .start = Sdraiati sulla schiena, il gomito su un asciugamano. Prendi il polso con l’altra mano.
    .how = Lascia che l’altra mano porti questa sulla pancia. Fermati, torna.
    .task = Mano alla pancia

ex-internal-rotation-reach-behind-back = Mano dietro la schiena
    .start = In piedi. Lascia pendere il braccio.
    .how = Fai scivolare il dorso della mano verso la tasca dietro, non più di quanto è facile.
    .task = Infilare la camicia nei pantaloni

ex-wall-slide-finger-walk = Dita che salgono il muro, di fronte
    .start = In piedi davanti a un muro, la punta delle dita sul muro.
    .how = Cammina con le dita su per il muro fino al limite, fermati, e torna giù. Tre o quattro giorni tranquilli così prima di girarti.
    .task = Arrivare all’interruttore

ex-wall-slide-towel = Asciugamano su per il muro
    .start = In piedi davanti a un muro, le due mani su un asciugamano contro il muro.
    .how = Fai scivolare l’asciugamano in su fino al limite, e lascialo scendere piano.
    .task = Pulire una finestra

ex-wall-slide-forearm = Avambracci su per il muro
    .start = In piedi, i due avambracci sul muro, una spinta leggera.
    .how = Fai scivolare gli avambracci in su e allungati un poco, fino al limite, e giù piano.
    .task = Dipingere un muro

ex-active-elevation-balance-lying = Braccio in equilibrio da sdraiati
    .start = Sdraiati sulla schiena. L’altra mano aiuta il braccio a salire finché punta al soffitto.
    .how = Lascia e tienilo lì in equilibrio. Disegna piccoli archi verso la testa e verso i piedi.
    .task = Tenere un libro da sdraiati

ex-active-elevation-lying-bent = Alza da sdraiati, gomito piegato
    .start = Sdraiati sulla schiena, gomito piegato.
    .how = Porta il gomito in su e indietro fino al limite, poi abbassalo piano.
    .task = Mano alla testa da sdraiati

ex-active-elevation-lying-straight = Alza da sdraiati, gomito dritto
    .start = Sdraiati sulla schiena, gomito dritto, pollice verso la testa.
    .how = Porta il braccio in su e indietro fino al limite, poi abbassalo piano.
    .task = Tirare il lenzuolo sopra la testa

ex-active-elevation-reclined = Alza con la schiena inclinata
    .start = Appoggiati ai cuscini, a metà tra sdraiati e seduti.
    .how = Alza il braccio con il gomito piegato, stendilo mentre sale, abbassa piano.
    .task = Allungarsi dalla poltrona

ex-active-elevation-standing-bent = Alza in piedi, gomito piegato
    .start = In piedi, schiena lunga, gomito piegato.
    .how = Alza il gomito avanti e un poco in fuori, non oltre il limite, senza alzare la spalla.
    .task = Mano alla bocca e ai capelli

ex-active-elevation-to-shoulder-height = Alza in piedi fino alla spalla
    .start = In piedi, schiena lunga, gomito dritto, pollice in su.
    .how = Alza il braccio avanti e un poco in fuori fino all’altezza della spalla, e abbassalo piano.
    .task = Arrivare a uno scaffale all’altezza della spalla

ex-active-elevation-standing-full = Alza in piedi fino in alto
    .start = In piedi, schiena lunga, gomito dritto, pollice in su.
    .how = Alza il braccio avanti e un poco in fuori, fino al limite, e abbassalo piano.
    .task = Arrivare sopra la testa

ex-external-rotation-on-table = Gira in fuori sul tavolo
    .start = Siediti con gomito e avambraccio sul tavolo.
    .how = Gira l’avambraccio in fuori sul tavolo fino al limite, e torna piano.
    .task = Aprire un cassetto

ex-external-rotation-side-lying = Gira in fuori sul fianco
    .start = Sdraiati sul fianco sano, un asciugamano tra gomito e costole, gomito piegato.
    .how = Gira l’avambraccio in su fino al limite, e abbassalo piano.
    .task = Sistemare il cuscino

ex-external-rotation-side-lying-weight = Gira in fuori sul fianco con un peso
    .start = Sdraiati sul fianco sano, un asciugamano tra gomito e costole, un piccolo peso in mano.
    .how = Gira l’avambraccio in su fino al limite, e abbassalo piano.
    .task = Tirare un cassetto pesante

ex-external-rotation-standing-elastic = Gira in fuori in piedi con l’elastico
    .start = In piedi di fianco a una porta, elastico all’altezza del gomito, un asciugamano arrotolato sotto il gomito.
    .how = Gira l’avambraccio in fuori fino al limite, e lascialo tornare piano.
    .task = Aprire una porta pesante

ex-internal-rotation-slide-to-belly = Scivola verso la pancia
    .start = Siediti con l’avambraccio sul tavolo.
    .how = Fai scivolare la mano verso la pancia e piano di nuovo in fuori.
    .task = Chiudere un cassetto

ex-internal-rotation-standing-elastic = Gira in dentro in piedi con l’elastico
    .start = In piedi di fianco a una porta, elastico all’altezza del gomito, un asciugamano arrotolato sotto il gomito.
    .how = Gira l’avambraccio verso la pancia, e lascialo tornare piano.
    .task = Chiudere una porta

ex-isometric-outward-wall = Spinta in fuori contro il muro
    .start = In piedi accanto a un muro, gomito piegato e vicino, il dorso della mano sul muro.
    .how = Spingi in fuori. Aumenta in due secondi, tieni, lascia piano.
    .task = Tenere ferma una porta

ex-isometric-inward-frame = Spinta in dentro contro lo stipite
    .start = In piedi allo stipite di una porta, gomito piegato e vicino, il palmo sullo stipite.
    .how = Spingi in dentro. Aumenta in due secondi, tieni, lascia piano.
    .task = Tenere la borsa contro il petto

ex-isometric-forward-wall = Spinta in avanti contro il muro
    .start = In piedi davanti a un muro, gomito piegato, il pugno sul muro.
    .how = Spingi in avanti. Aumenta, tieni, lascia piano.
    .task = Cominciare a spingere una porta

ex-isometric-sideways-wall = Spinta di lato contro il muro
    .start = In piedi accanto a un muro, gomito piegato, l’esterno del gomito sul muro.
    .how = Spingi di lato. Aumenta, tieni, lascia piano.
    .task = Cominciare ad alzare il braccio di lato

ex-reach-and-push-ceiling-punch = Pugno al soffitto
    .start = Sdraiati sulla schiena, il braccio punta al soffitto.
    .how = Porta il pugno in su di pochi centimetri, così che la scapola lasci il letto. Tieni, abbassa.
    .task = Allungarsi verso una borsa in alto

ex-reach-and-push-ceiling-punch-weight = Pugno al soffitto con un peso
    .start = Sdraiati sulla schiena, un piccolo peso in mano, il braccio punta al soffitto.
    .how = Porta il pugno in su di pochi centimetri. Tieni, abbassa piano.
    .task = Passare qualcosa in avanti

ex-row-straight-arm-to-hip = Tira a braccio dritto verso l’anca
    .start = In piedi davanti a una porta, elastico all’altezza della vita, il braccio un poco alzato davanti.
    .how = Tira il braccio dritto giù fino all’anca e non oltre. Lascialo salire piano.
    .task = Chiudere un cassetto basso

ex-row-low = Tira basso
    .start = In piedi davanti a una porta, elastico all’altezza della vita.
    .how = Tira la mano verso le costole, gomito vicino, e lasciala andare avanti piano.
    .task = Tirare una porta

ex-raise-strength-shoulder-height-weight = Alza fino alla spalla con un peso
    .start = In piedi, schiena lunga, un piccolo peso in mano, pollice in su.
    .how = Alza il braccio avanti e un poco in fuori fino all’altezza della spalla, e abbassalo piano.
    .task = Mettere una ciotola sullo scaffale

ex-raise-strength-overhead-weight = Alza sopra la testa con un peso
    .start = In piedi, schiena lunga, un piccolo peso in mano, pollice in su.
    .how = Alza il braccio avanti e un poco in fuori, sopra la testa, e abbassalo piano.
    .task = Arrivare allo scaffale più alto

ex-reach-and-push-wall-blade-push = Spinta delle scapole al muro
    .start = In piedi con le due mani sul muro, gomiti dritti.
    .how = Lascia scendere un poco il petto tra le scapole, poi spingilo via.
    .task = Appoggiarsi al muro

# La raccolta oltre il primo percorso.

ex-pendulum-weight = Pendolo con un peso leggero
    .start = Appoggiati al tavolo con l’altra mano, un peso leggero legato al polso.
    .how = Lascia pendere il braccio e sposta il corpo, così che il braccio dondoli da solo.
    .task = Meno dolore prima di allungarsi

ex-pendulum-arm-swing = Braccio sciolto nel passo
    .start = Cammina al tuo passo.
    .how = Lascia oscillare il braccio dalla spalla come fa l’altro, senza trattenerlo.
    .task = Camminare senza proteggersi

ex-hand-elbow-finger-shapes = Forme della mano e tocco del pollice
    .start = Siediti con l’avambraccio appoggiato.
    .how = Mano piatta, dita a uncino, pugno chiuso, poi tocca ogni dito con il pollice.
    .task = Bottoni, chiavi

ex-hand-elbow-elbow-bend-helped = Piega il gomito con l’altra mano
    .start = Siediti con la parte alta del braccio appoggiata, l’altra mano attorno al polso.
    .how = Lascia che l’altra mano pieghi e stenda il gomito; il braccio resta morbido.
    .task = Stendere del tutto il gomito

ex-hand-elbow-wrist-lift-weight = Alza il polso con un peso
    .start = Avambraccio sul tavolo, la mano oltre il bordo con un peso leggero.
    .how = Alza la mano, aspetta, abbassala piano; poi lo stesso con il palmo in su.
    .task = Portare una pentola (con il gomito appoggiato)

ex-posture-head-turn = Gira la testa
    .start = Siediti con la schiena lunga, spalle sciolte.
    .how = Gira piano la testa da una parte e dall’altra, fin dove va senza forza.
    .task = Guardare dietro di sé

ex-posture-tall-at-wall = Schiena lunga contro il muro
    .start = In piedi con la schiena al muro, i talloni a un palmo di distanza.
    .how = Allungati in alto, avvicina la nuca al muro, e continua a respirare.
    .task = Lavoro in piedi

ex-shoulder-blade-hold-arm-out = Tieni la scapola, braccio un poco in fuori
    .start = In piedi con le braccia sciolte.
    .how = Porta piano la scapola in su e attorno alle costole, alza un poco il braccio di lato e tienilo lì.
    .task = Prepararsi ad allungare il braccio

ex-shoulder-blade-table-press-down = Premi giù sul tavolo
    .start = Siediti accanto al tavolo, il pugno sopra, il gomito lontano dal fianco.
    .how = Premi piano il pugno in giù come per allungare il braccio; tieni, lascia piano.
    .task = Appoggiarsi alla scrivania

ex-shoulder-blade-press-back = Premi indietro contro un piano
    .start = In piedi con la schiena a un piano o al bordo di un tavolo, il palmo sopra.
    .how = Premi il palmo indietro mentre la scapola scivola verso la spina e in giù.
    .task = Spingere indietro la sedia

ex-shoulder-blade-shrug-arms-out = Alza le spalle, braccia un poco in fuori
    .start = In piedi, un peso per mano, le braccia un poco lontane dal corpo.
    .how = Alza le spalle verso le orecchie, aspetta, abbassa piano.
    .task = Portare la spesa senza farsi tirare giù

ex-assisted-elevation-counter-bow = Inchino al bancone
    .start = In piedi con le due mani su un bancone, i piedi sotto di te.
    .how = Fai un passo indietro e inchinati, così che le braccia arrivino accanto alle orecchie.
    .task = Allungarsi nel baule dell’auto

ex-assisted-elevation-side-lying-board = Sull’altro fianco, braccio su un’asse
    .start = Sdraiati sull’altro fianco, il braccio su un’asse liscia o un cuscino duro.
    .how = Fai scivolare il braccio avanti e in su lungo l’asse, e indietro.
    .task = Girarsi nel letto

ex-assisted-elevation-stick-to-side = Alza di lato con un bastone
    .start = In piedi, un bastone tra le mani, pollice in su dal lato rigido.
    .how = Spingi il braccio di lato e in su con il bastone.
    .task = Deodorante, lavarsi il fianco

ex-assisted-elevation-ball-roll = Fai rotolare via una palla grande
    .start = In ginocchio o in piedi davanti a un tavolo, le due mani su una palla grande.
    .how = Fai rotolare via la palla finché il braccio si stende, e torna.
    .task = Allungarsi verso uno scaffale

ex-assisted-elevation-pillow-rest = Braccia indietro sui cuscini
    .start = Sdraiati sulla schiena, le braccia sopra la testa su una pila di cuscini.
    .how = Lascia scendere le braccia e resta; togli un cuscino quando è facile.
    .task = Arrivare allo scaffale più alto

ex-assisted-external-rotation-door-frame = Gira in fuori allo stipite
    .start = In piedi in una porta, gomito piegato al fianco, il palmo sullo stipite.
    .how = Gira piano i piedi lontano dalla mano finché la spalla tira; resta lì.
    .task = Prendere la cintura dell’auto (lato guida)

ex-assisted-external-rotation-stick-elbow-out = Gira indietro con un bastone, gomito in fuori
    .start = Sdraiati sulla schiena, il gomito in fuori all’altezza della spalla su un asciugamano, un bastone tra le mani.
    .how = Spingi indietro la mano con il bastone, fin dove è permesso.
    .task = Lavarsi i capelli dietro

ex-assisted-external-rotation-hands-behind-head = Mani dietro la testa, gomiti giù
    .start = Sdraiati sulla schiena, le mani dietro la testa, i gomiti in su.
    .how = Lascia scendere i gomiti verso il letto, aspetta, riavvicinali.
    .task = Mani dietro la testa, capelli

ex-assisted-external-rotation-high-door-frame = Allungo alto allo stipite
    .start = In piedi in una porta, gomito all’altezza della spalla, avambraccio sullo stipite.
    .how = Porta il corpo oltre la porta finché la spalla tira davanti.
    .task = Caricare un lancio, il rovescio

ex-internal-rotation-reach-stick-behind = Bastone dietro la schiena
    .start = In piedi con un bastone dietro di te, tenuto con le due mani.
    .how = Allontana il bastone dal sedere, la schiena resta lunga.
    .task = Tirare su i pantaloni

ex-internal-rotation-reach-towel-up-back = Asciugamano su per la schiena
    .start = Una mano dietro la schiena su un asciugamano, l’altra lo tiene sopra la spalla.
    .how = Con la mano in alto tira piano in su quella in basso, lungo la schiena.
    .task = Allacciare dietro, tasca dietro

ex-internal-rotation-reach-across-lying = Sdraiati, braccio davanti al petto
    .start = Sdraiati sulla schiena, il braccio dritto in su, l’altra mano dietro il gomito.
    .how = Porta il gomito davanti al petto finché la spalla tira dietro.
    .task = Lavare l’altra ascella

ex-internal-rotation-reach-across-blade-held = Braccio davanti, scapola ferma
    .start = Appoggia la scapola a un muro, il braccio davanti.
    .how = Porta il gomito davanti al petto con l’altra mano; la scapola resta sul muro.
    .task = Cintura dell’auto

ex-internal-rotation-reach-side-lying-hand-down = Sul fianco, mano verso il basso
    .start = Sdraiati sul fianco rigido, il gomito davanti a te e piegato, la mano in su.
    .how = Con l’altra mano premi piano la mano verso i piedi.
    .task = Ritrovare il movimento per lanci e battute

ex-mobility-chest-opener = Apri il petto su un asciugamano
    .start = Sdraiati sulla schiena, un asciugamano arrotolato lungo la spina tra le scapole.
    .how = Lascia riposare le braccia un poco in fuori e le spalle scendere verso il pavimento.
    .task = Stare seduti dritti

ex-mobility-corner-one-arm = Allungo allo stipite, un braccio
    .start = In piedi in una porta, l’avambraccio lungo lo stipite.
    .how = Gira il corpo dall’altra parte finché il petto tira davanti.
    .task = Aprire il petto, arrivare in alto

ex-mobility-chest-low-and-middle = Allungo del petto, basso e medio
    .start = Avambraccio sullo stipite, prima più in basso, poi all’altezza della spalla.
    .how = Fai un passo avanti finché il petto tira, e resta.
    .task = Prendere il cappotto dietro

ex-mobility-kneeling-reach = Allungo in ginocchio
    .start = In ginocchio davanti a una panca, le mani sopra, i palmi uno verso l’altro.
    .how = Lascia scendere il petto tra le braccia finché i lati della schiena tirano.
    .task = Arrivare in alto

ex-mobility-blade-lifter = Allungo del muscolo che alza la scapola
    .start = Siediti, la testa girata a metà dall’altra parte e piegata in avanti.
    .how = Lascia che il peso di una mano sulla testa aumenti l’allungo, senza tirare.
    .task = Guardare gli attrezzi in basso

ex-mobility-neck-side = Allungo del collo di lato
    .start = Siediti, una mano tiene la sedia.
    .how = Piega la testa lontano da quella mano e un poco in avanti, e aspetta.
    .task = Tensione da scrivania

ex-mobility-clasped-reach = Allungo a mani intrecciate
    .start = Siediti, le dita intrecciate davanti a te.
    .how = Allungati in avanti finché lo spazio tra le scapole si apre.
    .task = Arrivare al volante

ex-mobility-ball-back-of-shoulder = Palla dietro la spalla
    .start = In piedi di fianco a un muro, una palla piccola dietro la spalla.
    .how = Appoggiati alla palla e falla rotolare sui punti dolenti, continuando a respirare.
    .task = Sciogliere prima di allungarsi

ex-mobility-ball-chest = Palla sul davanti del petto
    .start = Davanti a un muro, una palla piccola sotto la fine della clavicola.
    .how = Appoggiati e falla rotolare piano. Se la mano formicola, smetti.
    .task = Stare seduti dritti

ex-mobility-neck-kneading = Impasta il muscolo del collo
    .start = Siediti, l’altra mano sopra la spalla.
    .how = Impasta piano il muscolo, mai il davanti del collo.
    .task = Tensione da scrivania

ex-mobility-back-bend-roll = Schiena indietro su un rotolo
    .start = Sdraiati con un asciugamano arrotolato e duro sotto il mezzo della schiena, braccia incrociate o mani alla testa.
    .how = Lascia piegare la parte alta della schiena sul rotolo e torna su.
    .task = Guardare in alto, lavoro sopra la testa

ex-mobility-trunk-turn-lying = Gira il busto da sdraiati
    .start = Sdraiati sull’altro fianco, ginocchia piegate, le braccia davanti.
    .how = Apri il braccio di sopra e gira il petto fin dove è permesso; le ginocchia restano.
    .task = Fare retromarcia

ex-mobility-trunk-turn-all-fours = Gira il busto a quattro zampe
    .start = Su mani e ginocchia, una mano sul petto.
    .how = Gira petto e gomito verso il soffitto e torna giù.
    .task = Girarsi mentre si alza qualcosa

ex-mobility-back-bend-chair = Schiena indietro sulla sedia
    .start = Siediti con lo schienale sotto le scapole, braccia incrociate.
    .how = Piega la parte alta della schiena sullo schienale, guarda in su, torna.
    .task = Pause nel lavoro sopra la testa

ex-isometric-backward-wall = Spinta indietro contro il muro
    .start = In piedi con la schiena al muro, il gomito piegato che lo tocca.
    .how = Spingi indietro il gomito, tieni, lascia piano.
    .task = Alzarsi dai braccioli (preparazione)

ex-isometric-towel-squeeze = Stringi l’asciugamano
    .start = In piedi, gomito piegato, un asciugamano piegato tra gomito e costole.
    .how = Stringi l’asciugamano, tieni, lascia.
    .task = Tenere i fogli sotto il braccio

ex-isometric-palm-press = Premi i palmi
    .start = Siediti, i palmi uniti davanti a te, i gomiti in su.
    .how = Premi i palmi uno contro l’altro, tieni, lascia.
    .task = Portare una scatola tra le mani

ex-isometric-outward-three-angles = Spinta in fuori in tre posizioni
    .start = Siediti, il gomito sul tavolo, l’altra mano sul dorso del polso.
    .how = Spingi in fuori contro l’altra mano; poi di nuovo nella posizione seguente.
    .task = Tenere il trapano

ex-isometric-steady-taps = Braccio fermo, tocchi leggeri
    .start = Sdraiati sulla schiena, il braccio dritto in su.
    .how = Tienilo fermo mentre qualcuno, o l’altra mano, lo tocca da ogni lato.
    .task = Tenere fermo un attrezzo

ex-isometric-step-out = Passo di lato con l’elastico
    .start = In piedi di fianco a una porta, l’elastico in mano, il gomito al fianco.
    .how = Blocca il braccio e fai un passo lontano dalla porta; resta, torna.
    .task = Tenere una porta pesante

ex-isometric-outward-arm-in-front = Spinta in fuori, braccio davanti
    .start = In piedi in una porta, il braccio alzato davanti, il suo lato esterno allo stipite.
    .how = Spingi in fuori, tieni, lascia.
    .task = Tenere una porta contro il vento

ex-wall-slide-finger-walk-side = Dita che salgono il muro, di lato
    .start = In piedi, il corpo a metà verso un muro, la punta delle dita sul muro.
    .how = Cammina con le dita in su, fin dove è permesso, e di nuovo giù.
    .task = Arrivare di lato a uno scaffale

ex-wall-slide-lift-off = Scivola sul muro e stacca
    .start = In piedi davanti a un muro, le mani in alto sul muro.
    .how = In cima stacca la mano un dito dal muro, tieni, abbassa.
    .task = Posare qualcosa sopra la testa

ex-wall-slide-loop = Avambracci sul muro con un anello elastico
    .start = Avambracci sul muro, un anello elastico attorno ai polsi.
    .how = Tieni gli avambracci aperti e falli scivolare su e giù.
    .task = Montare sopra la testa

ex-wall-slide-ball-circles = Cerchi con la palla sul muro
    .start = In piedi davanti a un muro, una palla sotto la mano aperta.
    .how = Fai piccoli cerchi, prima da una parte, poi dall’altra.
    .task = Pulire, carteggiare

ex-active-elevation-lying-weight = Alza da sdraiati con un peso leggero
    .start = Sdraiati sulla schiena, un peso leggero in mano.
    .how = Porta il braccio dritto in su e indietro, abbassalo piano.
    .task = Prendere una bottiglia dal comodino

ex-active-elevation-half-sitting = Alza a metà seduti
    .start = Appoggiati indietro a metà sui cuscini.
    .how = Alza il braccio, stendi il gomito mentre sale; abbassa piano.
    .task = Allungarsi dal sedile dell’auto

ex-active-elevation-side-full = Alza di lato fino in alto
    .start = In piedi, pollice in su.
    .how = Alza il braccio di lato oltre l’orecchio, abbassa piano.
    .task = Asciugare la schiena, manica della giacca

ex-external-rotation-long-hold = Tieni a lungo in fuori
    .start = In piedi di fianco a una porta, l’elastico in mano, il gomito su un asciugamano al fianco.
    .how = Gira la mano in fuori e tienila lì senza tremare.
    .task = Tenere fermo un pannello

ex-external-rotation-elbow-supported = Gira in fuori, gomito sul tavolo
    .start = Siediti, il gomito sul tavolo davanti, l’elastico dal basso davanti.
    .how = Gira l’avambraccio in su e indietro contro l’elastico, torna piano.
    .task = Guidare, usare un cacciavite

ex-external-rotation-elbow-free = Gira in fuori, gomito libero
    .start = In piedi davanti a una porta, il gomito alzato davanti alla spalla.
    .how = Gira la mano in su contro l’elastico; il gomito resta dov’è.
    .task = Trapano all’altezza del petto

ex-external-rotation-prone-elbow-out = Gira in fuori a pancia in giù, gomito in fuori
    .start = Sdraiati a pancia in giù, la parte alta del braccio di lato sulla panca, l’avambraccio pende.
    .how = Gira la mano in su fino all’altezza del braccio, abbassa piano.
    .task = Usare attrezzi sopra la testa

ex-external-rotation-high-slow = Gira in fuori in alto, lento
    .start = In piedi davanti a una porta, il gomito in fuori all’altezza della spalla.
    .how = Gira la mano in su e indietro, torna piano.
    .task = Battuta, lavoro al soffitto

ex-external-rotation-high-quick = Gira in fuori in alto, veloce
    .start = Come quello lento, con un elastico più leggero.
    .how = Gira in su e indietro uno al secondo, sempre con controllo.
    .task = Frenare un lancio o una battuta

ex-internal-rotation-elastic-whole-way = Gira in dentro, tutto il percorso
    .start = In piedi di fianco a una porta, l’elastico dal lato che lavora, il gomito al fianco.
    .how = Gira la mano verso la pancia e lasciala tornare in fuori piano.
    .task = Tirare una fune

ex-internal-rotation-belly-press = Premi la pancia e tieni
    .start = Mano aperta sulla pancia, il gomito davanti al corpo.
    .how = Premi sulla pancia senza lasciare andare indietro il gomito.
    .task = Infilare la camicia davanti

ex-internal-rotation-lift-off = Stacca la mano dalla schiena
    .start = Il dorso della mano sulla parte bassa della schiena.
    .how = Stacca la mano dalla schiena, tieni, torna.
    .task = Allacciare dietro

ex-internal-rotation-elbow-in-front = Gira in dentro, gomito davanti
    .start = Siediti o stai in piedi, il gomito appoggiato davanti, l’elastico da dietro.
    .how = Gira la mano avanti e in giù, lasciala tornare piano.
    .task = Tirare giù una leva

ex-internal-rotation-high-slow = Gira in dentro in alto, lento
    .start = In piedi con la schiena a una porta, il gomito in fuori all’altezza della spalla, la mano in su.
    .how = Gira la mano avanti e in giù, lasciala tornare piano.
    .task = Martello sopra la testa

ex-internal-rotation-high-quick = Gira in dentro in alto, veloce
    .start = Come quello lento, con un elastico più leggero.
    .how = Gira avanti e in giù uno al secondo, sempre con controllo.
    .task = Spinta di un lancio o di una battuta

ex-internal-rotation-side-lying-weight = Gira in dentro sul fianco
    .start = Sdraiati un poco indietro sul fianco che lavora, il gomito piegato davanti alle costole.
    .how = Alza il peso dal letto alla pancia, abbassa piano.
    .task = Tirare a sé le coperte

ex-raise-strength-forward-elastic = Alza avanti contro l’elastico
    .start = In piedi con la schiena a una porta, l’elastico da dietro all’altezza dell’anca.
    .how = Alza il braccio avanti fino all’altezza della spalla, abbassa piano.
    .task = Spingere una pentola sullo scaffale

ex-raise-strength-side-weight = Alza di lato con un peso
    .start = In piedi, un peso in mano.
    .how = Alza il braccio in fuori fino all’altezza della spalla, gomito morbido, abbassa piano.
    .task = Infilare il braccio in una manica

ex-raise-strength-front-weight = Alza davanti con un peso
    .start = In piedi, un peso in mano, pollice in su.
    .how = Alza avanti fino all’altezza della spalla, abbassa piano.
    .task = Alzare una pentola

ex-raise-strength-side-lying-forward = Alza avanti sul fianco
    .start = Sdraiati sull’altro fianco, il braccio lungo il corpo.
    .how = Porta il braccio dritto avanti e in su in un arco lento, e torna.
    .task = Arrivare alla lampada del comodino

ex-raise-strength-side-lying-side = Alza di lato sul fianco
    .start = Sdraiati sull’altro fianco, il braccio lungo il corpo.
    .how = Alza il braccio a metà, abbassa piano.
    .task = Scostare il braccio dal fianco

ex-raise-strength-half-kneeling-press = Spinta in alto con un braccio, su un ginocchio
    .start = Su un ginocchio, l’elastico dal basso dietro, la mano alla spalla.
    .how = Spingi in su e un poco avanti, abbassa piano.
    .task = Mettere una borsa sul portapacchi

ex-raise-strength-overhead-press = Spinta sopra la testa
    .start = Siediti o stai in piedi, il peso alla spalla, il gomito davanti alla linea del corpo.
    .how = Spingi in su oltre l’orecchio, abbassa piano.
    .task = Alzare una scatola sopra la testa

ex-raise-strength-hand-loop = Alza con un anello elastico tra le mani
    .start = Gomiti piegati, avambracci in piano, un anello elastico attorno alle mani.
    .how = Tieni teso l’anello e alza le due braccia, stendendole mentre salgono.
    .task = Cavi e montaggi sopra la testa

ex-row-elbows-half-out = Tira, gomiti a metà in fuori
    .start = In piedi davanti a una porta, elastico all’altezza del petto.
    .how = Porta indietro il gomito, a metà in fuori, non oltre il corpo.
    .task = Remare, avviare il tosaerba

ex-row-high-then-turn-up = Tira alto, poi gira in su
    .start = In piedi davanti a una porta, elastico all’altezza della testa.
    .how = Porta indietro il gomito all’altezza della spalla, poi gira la mano in su; torna in due tempi.
    .task = Tirare giù la tapparella, lavoro al soffitto

ex-row-prone = Tira a pancia in giù
    .start = Sdraiati a pancia in giù, il braccio pende, un peso in mano.
    .how = Porta il gomito in su accanto alle costole, abbassa piano.
    .task = Alzare da terra

ex-row-bent-over = Tira con il busto piegato
    .start = Piegati con l’altra mano su una panca.
    .how = Porta il peso alle costole, abbassa piano.
    .task = Alzare una cassa

ex-row-low-bar = Tirati su sotto una sbarra bassa
    .start = Appenditi sotto una sbarra bassa e fissa, i talloni a terra, il corpo dritto.
    .how = Tira il petto verso la sbarra, abbassa piano.
    .task = Arrampicarsi, tirarsi su

ex-row-step-and-pull = Passo e tira
    .start = In piedi con un piede avanti, l’elastico lontano davanti.
    .how = Fai un passo indietro, gira il busto e porta indietro il gomito in un solo movimento.
    .task = Tirare una corda, avviare un motore

ex-prone-raise-arm-back = A pancia in giù, braccio indietro, pollice in fuori
    .start = Sdraiati a pancia in giù, il braccio pende, pollice in fuori.
    .how = Alza il braccio dritto indietro fino all’anca, non più in alto del corpo; abbassa piano.
    .task = Arrivare indietro alla tasca

ex-prone-raise-blades-together = A pancia in giù, scapole vicine
    .start = Sdraiati a pancia in giù, la fronte su un asciugamano, le braccia ai fianchi.
    .how = Porta le scapole indietro e un poco in giù, le mani appena staccate da terra; tieni.
    .task = Stare dritti a lungo

ex-prone-raise-bent-arm = A pancia in giù, alza a gomito piegato
    .start = Sdraiati a pancia in giù, i gomiti piegati accanto alle costole.
    .how = Avvicina le scapole e gira le mani in su fino all’altezza dei gomiti.
    .task = Aprire le due ante di un armadio

ex-prone-raise-to-side = A pancia in giù, alza di lato
    .start = Sdraiati a pancia in giù, il braccio pende, pollice in su.
    .how = Alza il braccio dritto di lato fino all’altezza del corpo, abbassa piano.
    .task = Arrivare di lato

ex-prone-raise-to-side-weight = A pancia in giù, alza di lato con un peso
    .start = Come prima, con un peso leggero in mano.
    .how = Alza di lato fino all’altezza del corpo, abbassa piano.
    .task = Controllare un carico che oscilla

ex-prone-raise-row-and-turn = A pancia in giù, tira e poi gira
    .start = Sdraiati a pancia in giù, il braccio pende.
    .how = Porta il gomito in fuori all’altezza della spalla, poi gira la mano in su; torna in due tempi.
    .task = Tirare e girare sopra la testa

ex-prone-raise-diagonal = A pancia in giù, alza in diagonale
    .start = Sdraiati a pancia in giù, il braccio pende, pollice in su.
    .how = Alza il braccio in su e in fuori accanto alla testa, in linea con la scapola.
    .task = Arrivare in alto in diagonale

ex-prone-raise-diagonal-weight = A pancia in giù, alza in diagonale con un peso
    .start = Come prima, con un peso leggero in mano.
    .how = Alza in su e in fuori accanto alla testa, abbassa piano.
    .task = Posare sopra la testa

ex-prone-raise-four-shapes = A pancia in giù, quattro forme di fila
    .start = Sdraiati a pancia in giù su una panca o una palla grande.
    .how = In su accanto alla testa, di lato, gomiti piegati, gomiti ad angolo: cinque di ognuna senza pausa.
    .task = Lungo turno sopra la testa

ex-reach-and-push-forward-punch = Pugno in avanti
    .start = In piedi con un piede avanti, l’elastico da dietro all’altezza della spalla.
    .how = Porta il pugno avanti e alla fine lascia che la spalla segua.
    .task = Spingere un carrello

ex-reach-and-push-blade-push-up-all-fours = Spinta delle scapole a quattro zampe
    .start = Su mani e ginocchia, gomiti dritti.
    .how = Lascia scendere il petto tra le scapole, poi spingi via il pavimento.
    .task = Andare a quattro zampe, lavoro a terra

ex-reach-and-push-knee-push-up-plus = Piegamento sulle ginocchia con un’ultima spinta
    .start = Su mani e ginocchia, anche avanti, corpo dritto.
    .how = Scendi, spingi su, e in cima spingi via il pavimento.
    .task = Spingersi su da terra

ex-reach-and-push-push-up-plus = Piegamento con un’ultima spinta
    .start = Su mani e punte dei piedi, corpo dritto.
    .how = Scendi, spingi su, e in cima spingi via il pavimento.
    .task = Alzarsi in fretta da terra

ex-reach-and-push-elastic-hug = Abbraccio con l’elastico
    .start = L’elastico attorno alla schiena o da dietro, le braccia alzate a metà e aperte.
    .how = Unisci le mani in un largo abbraccio, lascia piano.
    .task = Portare una scatola grande

ex-reach-and-push-high-reach-shrug = Allungo in alto con la spalla
    .start = In piedi sull’elastico, la mano sopra la testa.
    .how = Allungati in su e lascia salire la spalla con la mano; abbassa un poco.
    .task = Cambiare una lampadina

ex-reach-and-push-straight-arm-pull-down = Tira giù a braccio dritto
    .start = In piedi davanti a una porta, l’elastico sopra la testa, braccio dritto.
    .how = Tira giù e avanti fino alla coscia, lascia salire piano.
    .task = Tirare giù una serranda

ex-weight-bearing-hand-press-table = Mano sul tavolo, da seduti
    .start = Siediti al tavolo, la mano aperta sopra.
    .how = Porta un poco di peso sulla mano e toglilo di nuovo.
    .task = Appoggiarsi alla scrivania

ex-weight-bearing-wall-shift = Sposta il peso al muro
    .start = In piedi con le due mani sul muro all’altezza della spalla.
    .how = Sposta il peso da una mano all’altra.
    .task = Reggersi al muro

ex-weight-bearing-counter-shift = Sposta il peso al bancone
    .start = In piedi con le due mani su un bancone, il corpo inclinato.
    .how = Sposta il peso da una mano all’altra.
    .task = Appoggiarsi al lavandino

ex-weight-bearing-all-fours-hold = Fermo a quattro zampe
    .start = Su mani e ginocchia, schiena lunga, gomiti non bloccati.
    .how = Spingi piano via il pavimento e tieni.
    .task = Giardino a quattro zampe

ex-weight-bearing-all-fours-rock = Dondola a quattro zampe
    .start = Su mani e ginocchia.
    .how = Dondola avanti, indietro e da un lato all’altro.
    .task = Pulire il pavimento

ex-weight-bearing-all-fours-arm-lift = A quattro zampe, si alza l’altro braccio
    .start = Su mani e ginocchia.
    .how = Alza avanti l’altro braccio; la spalla che regge non scende.
    .task = Allungarsi mentre ci si appoggia

ex-weight-bearing-all-fours-arm-and-leg = A quattro zampe, altro braccio e gamba opposta
    .start = Su mani e ginocchia.
    .how = Alza l’altro braccio e la gamba opposta; resta in piano.
    .task = Equilibrio mentre ci si allunga

ex-weight-bearing-knees-off-floor = A quattro zampe, ginocchia staccate
    .start = Su mani e ginocchia, punte dei piedi a terra.
    .how = Stacca le ginocchia un dito da terra e tieni.
    .task = Passare sotto un ostacolo

ex-weight-bearing-all-fours-shoulder-taps = Tocca le spalle a quattro zampe
    .start = Su mani e ginocchia, le ginocchia a terra o appena staccate.
    .how = Tocca la spalla opposta con una mano, poi con l’altra.
    .task = Cambiare in fretta il peso sulle mani

ex-weight-bearing-forearm-plank = Corpo dritto sugli avambracci
    .start = Su avambracci e punte dei piedi, i gomiti sotto le spalle.
    .how = Tieni il corpo dritto e continua a respirare.
    .task = Reggersi sui gomiti

ex-weight-bearing-high-plank = Corpo dritto sulle mani
    .start = Su mani e punte dei piedi, corpo dritto.
    .how = Spingi via il pavimento e tieni.
    .task = Alzarsi da terra

ex-weight-bearing-high-plank-taps = Corpo dritto sulle mani, con tocchi
    .start = Su mani e punte dei piedi, i piedi aperti.
    .how = Tocca a turno la spalla opposta; le anche stanno ferme.
    .task = Prepararsi al contatto

ex-weight-bearing-hand-walk = Cammina con le mani a corpo dritto
    .start = Su mani e punte dei piedi, un anello elastico ai polsi se lo hai.
    .how = Cammina con le mani un passo di lato e torna.
    .task = Arrampicarsi, andare a quattro zampe

ex-weight-bearing-side-plank = Di lato sull’avambraccio
    .start = Sul fianco, il gomito sotto la spalla, ginocchia o piedi uno sull’altro.
    .how = Alza le anche e tieni dritto il corpo.
    .task = Reggersi su un gomito nel letto

ex-weight-bearing-pike-hold = Anche in alto, tieni e spingi
    .start = Su mani e piedi, le anche in alto.
    .how = Piega un poco i gomiti, spingi di nuovo su.
    .task = Spingere sopra la testa con un carico

ex-weight-bearing-one-hand-plank = Corpo dritto su una mano
    .start = Su mani e punte dei piedi, i piedi larghi.
    .how = Stacca una mano da terra e tieni il corpo in piano.
    .task = Frenare una caduta, sport di contatto

ex-push-up-wall = Piegamento al muro
    .start = In piedi a due piedi dal muro, le mani sopra.
    .how = Piega i gomiti, avvicina il petto, spingi indietro.
    .task = Spingere una porta

ex-push-up-counter = Piegamento al bancone
    .start = Le mani su un bancone, corpo dritto.
    .how = Porta il petto verso il bordo, spingi indietro.
    .task = Spingere un carrello

ex-push-up-bench = Piegamento basso su una panca
    .start = Le mani su una panca bassa, corpo dritto.
    .how = Porta giù il petto, spingi indietro.
    .task = Alzarsi dal divano

ex-push-up-knees = Piegamento sulle ginocchia
    .start = Su mani e ginocchia, anche avanti.
    .how = Porta giù il petto, spingi su.
    .task = Alzarsi da terra

ex-push-up-full = Piegamento intero
    .start = Su mani e punte dei piedi, le mani sotto le spalle.
    .how = Scendi, gomiti vicini o a metà in fuori, spingi su.
    .task = Sport, lavoro manuale

ex-push-up-on-balls = Piegamento su palle
    .start = Le mani su una o due palle, corpo dritto.
    .how = Scendi e spingi su senza traballare.
    .task = Carichi che non stanno fermi

ex-push-up-feet-raised = Piegamento, piedi in alto
    .start = Le mani a terra, i piedi su una panca.
    .how = Scendi e spingi su.
    .task = Spingere carichi pesanti

ex-push-up-one-arm = Piegamento con un braccio
    .start = Una mano su un bancone, più avanti più in basso.
    .how = Scendi un poco e spingi su, il busto dritto.
    .task = Cadute, contatto

ex-push-up-pike = Piegamento con le anche in alto
    .start = Le anche in alto, le mani a terra.
    .how = Porta la testa tra le mani, spingi su.
    .task = Verticale, spingere sopra la testa

ex-arm-strength-curl-held = Gomito piegato, tenuto
    .start = In piedi, gomito ad angolo, l’altra mano sul polso.
    .how = Spingi in su contro l’altra mano, tieni, lascia.
    .task = Tenere un piatto

ex-arm-strength-curl-palm-up = Piega il gomito, palmo in su
    .start = In piedi, un peso in mano, palmo in avanti.
    .how = Piega il gomito, abbassa piano.
    .task = Alzare una borsa

ex-arm-strength-curl-thumb-up = Piega il gomito, pollice in su
    .start = In piedi, un peso in mano, pollice in avanti.
    .how = Piega il gomito, abbassa piano.
    .task = Portare una cassa

ex-arm-strength-curl-slow-lowering = Abbassa piano a gomito piegato
    .start = Aiuta il peso a salire con l’altra mano.
    .how = Abbassalo piano con questo braccio soltanto.
    .task = Posare una borsa pesante

ex-arm-strength-elbow-press-elastic = Stendi il gomito in giù
    .start = L’elastico sopra la testa, il gomito al fianco e piegato.
    .how = Stendi il gomito in giù, lascialo piegare piano.
    .task = Alzarsi dalla sedia (preparazione)

ex-arm-strength-elbow-press-lying = Stendi il gomito da sdraiati
    .start = Sdraiati sulla schiena, la parte alta del braccio dritta in su, gomito piegato.
    .how = Stendi il gomito, abbassa piano il peso accanto all’orecchio.
    .task = Spingere via qualcosa

ex-arm-strength-elbow-press-overhead = Stendi il gomito sopra la testa
    .start = La parte alta del braccio accanto all’orecchio, il gomito piegato dietro la testa.
    .how = Stendi il gomito in su, abbassa piano.
    .task = Finire un lancio, spingere una botola

ex-arm-strength-forearm-turn = Gira l’avambraccio con un martello
    .start = Siediti, gomito ad angolo, un martello in mano.
    .how = Gira piano il palmo in su e in giù.
    .task = Cacciavite

ex-diagonal-lying = Diagonale da sdraiati
    .start = Sdraiati sulla schiena, la mano all’altra anca, pollice in giù.
    .how = Porta la mano in su e in fuori accanto alla testa, girando indietro il pollice; torna.
    .task = Tirare la cintura (lato lontano)

ex-diagonal-to-other-ear = Diagonale verso l’altro orecchio
    .start = L’elastico dal basso dietro, dal lato che lavora.
    .how = Porta la mano da accanto all’anca fino all’orecchio opposto.
    .task = Mano alla spalla o all’orecchio opposto

ex-diagonal-draw-out-and-up = Tira in fuori e in su
    .start = L’elastico dal basso davanti, dall’altro lato, la mano all’altra anca.
    .how = Porta la mano in su e in fuori, girando indietro il pollice, come per aprire un sipario.
    .task = Tirare in fuori e in su

ex-diagonal-down-and-across = Diagonale in giù e di traverso
    .start = L’elastico dall’alto dietro, dal lato che lavora.
    .how = Porta la mano in giù e di traverso verso l’altra anca.
    .task = Finire un lancio o un colpo

ex-diagonal-two-hand-chop = Taglio con due mani
    .start = Su un ginocchio, le due mani su un elastico dall’alto da un lato.
    .how = Tira in giù davanti al corpo, girando il busto.
    .task = Spalare

ex-diagonal-two-hand-lift = Alza di traverso con due mani
    .start = Su un ginocchio, un peso nelle due mani a un’anca.
    .how = Alza davanti al corpo verso l’altro lato.
    .task = Alzare una scatola su uno scaffale

ex-diagonal-weight = Diagonale con un peso
    .start = Su un ginocchio, il peso all’altra anca.
    .how = Porta la mano in su e in fuori, girando indietro il pollice; abbassa piano.
    .task = Allungarsi in alto e in fuori

ex-slow-lowering-side-lying-outward = Gira in fuori sul fianco, discesa lenta
    .start = Sdraiati sull’altro fianco, aiuta il peso a salire con l’altra mano.
    .how = Lascia scendere piano l’avambraccio, senza aiuto.
    .task = Posare un attrezzo

ex-slow-lowering-from-shoulder-height = Discesa lenta dall’altezza della spalla
    .start = Porta su il braccio a gomito piegato, poi stendilo.
    .how = Abbassalo piano, senza aiuto.
    .task = Prendere una pentola da uno scaffale

ex-slow-lowering-outward-elastic = Gira in fuori, ritorno lento
    .start = Gira la mano in fuori con l’elastico molle, poi fai un passo lontano.
    .how = Lascia rientrare piano la mano.
    .task = Tenere una porta nel vento

ex-slow-lowering-outward-in-front = Gira in fuori davanti, ritorno lento
    .start = Il gomito alzato davanti, l’elastico da davanti, la mano aiutata in su.
    .how = Lascia scendere piano la mano.
    .task = Abbassare un carico davanti al petto

ex-slow-lowering-outward-high = Gira in fuori in alto, ritorno lento
    .start = Il gomito in fuori all’altezza della spalla, la mano aiutata indietro.
    .how = Lascia venire avanti piano la mano.
    .task = Frenare un lancio o una battuta

ex-slow-lowering-prone-side = A pancia in giù, discesa di lato
    .start = Sdraiati a pancia in giù, alza il peso a gomito piegato, poi stendi.
    .how = Abbassa piano dal lato fino a lasciar pendere.
    .task = Controllare un carico che oscilla

ex-slow-lowering-heavy-raise = Alza pesante e lento
    .start = In piedi, un peso maggiore in mano.
    .how = Alzalo piano fino all’altezza della spalla, e abbassalo ancora più piano.
    .task = Alzare pesi fino alla spalla

ex-quick-power-chest-pass = Passaggio dal petto
    .start = Tieni una palla morbida e pesante al petto con le due mani.
    .how = Lanciala dritta contro il muro, riprendila morbida.
    .task = Passare un pacco

ex-quick-power-side-throw = Lancio di lato
    .start = La palla alla vita tra le mani, di fianco al muro.
    .how = Girati e lancia, riprendi e torna girandoti.
    .task = Spalare, caricare

ex-quick-power-overhead-two-hands = Lancio sopra la testa con due mani
    .start = La palla dietro la testa tra le mani.
    .how = Lancia avanti contro il muro, riprendi sopra la testa.
    .task = Rimessa, caricare in alto

ex-quick-power-wall-drop = Cadi sul muro e respingi
    .start = In piedi a un braccio dal muro.
    .how = Lasciati andare sulle mani, frena, respingi subito.
    .task = Reggersi in una caduta

ex-quick-power-one-hand-at-side = Lancio con una mano al fianco
    .start = Il gomito al fianco, una palla leggera in mano.
    .how = Lancia di traverso contro il muro e riprendila mentre va in fuori.
    .task = Il diritto con la racchetta

ex-quick-power-wall-dribble = Palleggio sul muro
    .start = Davanti a un muro, il gomito in fuori all’altezza della spalla, la palla sulle dita.
    .how = Palleggia sul muro con tocchi corti e veloci.
    .task = Attrezzi che vibrano sopra la testa

ex-quick-power-prone-drop-catch = A pancia in giù, lascia e riprendi
    .start = Sdraiati a pancia in giù, il braccio di lato, una palla leggera in mano.
    .how = Lascia la palla e riprendila subito.
    .task = Frenare un movimento

ex-quick-power-catch-and-throw-behind = Riprendi e lancia indietro
    .start = Su un ginocchio, la schiena verso chi ti aiuta, la mano alzata di lato.
    .how = Prendi la palla che va avanti, frenala, rilanciala indietro.
    .task = Finire una battuta o un lancio

ex-quick-power-one-hand-overhead = Lancio con una mano sopra la testa
    .start = Su un ginocchio o in piedi, la mano indietro all’altezza della spalla.
    .how = Lancia contro il muro e lascia seguire il braccio.
    .task = Lancio, schiacciata, battuta

ex-quick-power-push-up-leaving-ground = Piegamento che stacca le mani
    .start = Le mani su un bancone, più avanti più in basso.
    .how = Spingi così che le mani si stacchino, atterra morbido.
    .task = Cadute e contatto

ex-pull-down-reach-down = Allunga in giù, da seduti
    .start = Siediti con la schiena lunga, il braccio accanto a te.
    .how = Allunga piano la mano verso terra senza lasciar cadere la spalla; tieni.
    .task = Cominciare ad alzare senza scatti

ex-pull-down-elbow-press = Premi giù il gomito
    .start = Siediti, il gomito su dei cuscini o su un tavolo accanto.
    .how = Premi piano giù il gomito, tieni; poi di nuovo un poco più in alto.
    .task = Premere un coperchio

ex-pull-down-pull-to-side = Tira verso il fianco
    .start = L’elastico in alto dal lato che lavora, il braccio a metà in fuori.
    .how = Tira il braccio al fianco, lascialo andare piano.
    .task = Chiudere una finestra

ex-pull-down-from-shoulder-height = Tira dall’altezza della spalla
    .start = L’elastico sopra dal lato che lavora, il braccio all’altezza della spalla.
    .how = Tira il braccio giù al fianco, lascialo salire piano.
    .task = Tirare una corda

ex-pull-down-straight-arm = Tira dall’alto a braccio dritto
    .start = In piedi davanti a una porta, l’elastico sopra la testa.
    .how = Tira il braccio dritto giù fino all’anca e non oltre.
    .task = Tirare giù una botola

ex-pull-down-front = Tira giù davanti
    .start = Siediti sotto un elastico alto o una sbarra.
    .how = Tira giù davanti al viso, i gomiti alle costole; lascia salire piano.
    .task = Arrampicarsi, tirare

ex-pull-down-chair-lift = Alzati sui braccioli
    .start = Siediti su una sedia con i braccioli, le mani sopra.
    .how = Premi giù e alza un poco il corpo, le spalle lontane dalle orecchie.
    .task = Alzarsi da una sedia con i braccioli

ex-pull-down-against-pull-from-above = Alza contro un tiro dall’alto
    .start = In mano l’elastico che viene dall’alto.
    .how = Alza piano il braccio e intanto tira leggero in giù.
    .task = Arrivare a metà altezza senza dolore

ex-work-task-shelf-reach = Arriva a uno scaffale
    .start = In piedi davanti a uno scaffale all’altezza della spalla, cose leggere a portata di mano.
    .how = Mettile su e riprendile con passo costante.
    .task = Piatti, merce all’altezza della spalla

ex-work-task-shelf-stack = Riempi uno scaffale alto
    .start = In piedi davanti a uno scaffale sopra la testa.
    .how = Metti su e riprendi con passo costante.
    .task = Magazzino, scaffale alto della cucina

ex-work-task-tool-overhead = Tieni un attrezzo sopra la testa
    .start = In piedi con un attrezzo leggero sopra la testa.
    .how = Tienilo e lavora con la mano; riposa quanto hai lavorato.
    .task = Cavi al soffitto, intonaco

ex-work-task-side-carry = Porta di lato
    .start = Una borsa o un peso in una mano.
    .how = Cammina con la schiena lunga, senza piegarti di lato.
    .task = Borsa della spesa, cassetta degli attrezzi

ex-work-task-front-carry = Porta davanti
    .start = Una scatola tra le mani alla vita.
    .how = Cammina, la scatola vicina a te.
    .task = Portare una cassa

ex-work-task-overhead-carry = Porta sopra la testa
    .start = Un peso tenuto sopra la testa, prima con due mani.
    .how = Cammina piano, le costole basse.
    .task = Caricare un portapacchi

ex-work-task-turning-without-rest = Gira senza pausa
    .start = L’elastico all’altezza del gomito, il gomito al fianco.
    .how = Gira in fuori e in dentro senza fermarti finché il tempo finisce.
    .task = Lungo lavoro con il trapano

ex-work-task-arm-crank = Manovella per le braccia
    .start = Siediti alla manovella, il suo asse sotto la spalla.
    .how = Gira regolare, in avanti, poi indietro.
    .task = Scaldarsi, spingere ruote

ex-work-task-flexible-rod = Scuoti un’asta flessibile
    .start = Un’asta flessibile in mano, il gomito al fianco, più avanti alzato.
    .how = Scuotila con movimenti piccoli e veloci, la spalla ferma.
    .task = Attrezzi che vibrano

ex-work-task-floor-to-shelf = Alza da terra allo scaffale
    .start = Una scatola ai tuoi piedi.
    .how = Alza alla vita, alla spalla, sopra la testa; e di nuovo giù.
    .task = Caricare un furgone

ex-work-task-throwing-return = Tornare a lanciare, passo per passo
    .start = Il tuo gesto, al passo che hai raggiunto.
    .how = Fai le ripetizioni contate; vai avanti solo se il giorno dopo è tranquillo.
    .task = Tornare a lanci, battute, lavoro in alto

ex-work-task-break-at-work = Pausa al lavoro
    .start = Allontanati dal lavoro.
    .how = Avvicina le scapole, piega indietro la parte alta della schiena, lascia pendere il braccio.
    .task = Turno di lavoro

ex-row-pull-apart = Apri l’elastico, scapole vicine
    .start = In piedi, braccia avanti all’altezza del petto, un elastico tra le mani, non molle.
    .how = Allontana le mani finché l’elastico tocca il petto e le scapole si avvicinano; torna piano.
    .task = Aprire una porta a due ante

ex-row-pull-apart-blades-wide = Apri l’elastico, scapole larghe
    .start = In piedi, braccia avanti e lunghe, un elastico tra le mani.
    .how = Allontana le mani solo finché le scapole restano attorno alle costole, sempre allungandoti.
    .task = Guidare con due mani

ex-external-rotation-two-hands = Gira in fuori con due mani
    .start = In piedi o su una sedia, schiena lunga, i gomiti ai fianchi, un elastico tra le mani, palmi in su.
    .how = Gira le due mani in fuori, i gomiti restano dove sono; torna piano.
    .task = Aprire il giornale

ex-isometric-outward-towel = Spinta in fuori contro un asciugamano
    .start = Siediti, i gomiti ai fianchi, un asciugamano o un bastone teso tra le mani.
    .how = Spingi le due mani in fuori senza muoverle; tieni, lascia piano.
    .task = Tenere in piano un vassoio

ex-isometric-own-hand-eight-ways = Otto spinte contro la tua mano
    .start = Siediti, il gomito al fianco, l’altra mano attorno al polso.
    .how = Spingi senza muovere: polso in fuori, in dentro, in su e in giù; poi gomito in fuori, in dentro e indietro, e pugno avanti. Lascia tra una e l’altra.
    .task = Reggersi in autobus

ex-isometric-step-in = Passo di lato, tieni in dentro
    .start = In piedi con la porta dal lato di questo braccio, l’elastico in mano, il gomito al fianco.
    .how = Blocca il braccio e fai un passo lontano dalla porta; resta, torna.
    .task = Tenere un cane al guinzaglio

ex-weight-bearing-all-fours-shift = Sposta il peso a quattro zampe
    .start = Su mani e ginocchia, gomiti dritti ma non bloccati.
    .how = Porta il peso su una mano e tieni, poi sull’altra, spingendo via il pavimento.
    .task = Passare sotto un palco

ex-internal-rotation-reach-side-lying-low = Allungo in dentro sul fianco, gomito basso
    .start = Sdraiati su questo fianco, il gomito piegato a metà tra la vita e la spalla.
    .how = Lascia che l’altra mano prema questa verso il letto finché tira dietro la spalla, e aspetta.
    .task = Infilare la camicia dietro

ex-mobility-corner-elbow-high = Allungo nell’angolo, gomiti sopra la spalla
    .start = In piedi in un angolo, gli avambracci sui due muri, i gomiti più alti delle spalle.
    .how = Porta il petto verso l’angolo finché tira davanti, e resta.
    .task = Arrivare indietro a uno scaffale

ex-mobility-ball-upper-arm = Palla sulla parte alta del braccio
    .start = In piedi di fianco a un muro, una palla piccola tra il muro e l’esterno del braccio.
    .how = Appoggiati alla palla e falla rotolare piano su e giù lungo il muscolo. Se la mano formicola, smetti.
    .task = Sciogliere prima di allungarsi

ex-prone-raise-hold-low = A pancia in giù, tieni a gomiti piegati
    .start = Sdraiati a pancia in giù, le braccia basse in fuori con i gomiti piegati.
    .how = Stacca gomiti e mani e tienili su, il collo lungo.
    .task = Tenere aperta una mappa

ex-prone-raise-hold-side = A pancia in giù, tieni di lato
    .start = Sdraiati a pancia in giù, le braccia dritte di lato, pollici in su.
    .how = Alza le due braccia di un palmo e tienile su.
    .task = Stendere un lenzuolo

ex-prone-raise-hold-high = A pancia in giù, tieni in su e in fuori
    .start = Sdraiati a pancia in giù, le braccia in su e in fuori, pollici in su.
    .how = Alza le due braccia di un palmo e tienile su.
    .task = Fissare uno striscione in alto

ex-slow-lowering-heavy-outward = Discesa lenta e pesante, a pancia in giù
    .start = Sdraiati a pancia in giù, la parte alta del braccio di lato oltre il bordo; l’altra mano aiuta il peso a salire.
    .how = Lascia scendere l’avambraccio senza aiuto, più piano che puoi, e fatti aiutare a risalire.
    .task = Frenare un lancio o una battuta

ex-hand-elbow-wrist-side = Polso, da un lato all’altro
    .start = Siediti con l’avambraccio appoggiato su un cuscino, palmo in giù.
    .how = Porta la mano verso il pollice, poi verso il mignolo, l’avambraccio fermo.
    .task = Pulire il tavolo

ex-posture-full-breath = Respiro pieno
    .start = Siediti con la schiena lunga, braccio { resting }.
    .how = Inspira finché pancia, costole e petto si sono allargati, aspetta un momento, e lascia andare tutto.
    .task = Parlare mentre si cammina

ex-row-reverse-fly = Braccio dritto in fuori contro l’elastico
    .start = In piedi davanti a una porta, elastico all’altezza della spalla, il braccio dritto davanti.
    .how = Porta il braccio dritto in fuori di lato, torna piano.
    .task = Aprire una tenda

ex-arm-strength-curl-on-elastic = Piega il gomito contro l’elastico sotto il piede
    .start = In piedi sull’elastico, il capo in mano, il gomito al fianco.
    .how = Piega il gomito, abbassa piano.
    .task = Alzare un secchio

ex-raise-strength-side-on-elastic = Alza di lato contro l’elastico
    .start = In piedi sull’elastico, il capo in mano, pollice in avanti.
    .how = Alza il braccio in fuori, non proprio fino alla spalla, abbassa piano.
    .task = Mettere una borsa in auto

ex-weight-bearing-hips-high-rock = Dondola indietro, anche in alto
    .start = Su mani e piedi, le anche in su.
    .how = Spingi via il pavimento e porta il petto verso le ginocchia, poi torna avanti.
    .task = Lavorare in basso e allungarsi

ex-slow-lowering-heavy-half-kneeling = Discesa lenta e pesante, su un ginocchio
    .start = Su un ginocchio; l’altra mano aiuta il peso a salire davanti fino all’altezza della spalla.
    .how = Abbassalo senza aiuto, più piano che puoi, e fatti aiutare a risalire.
    .task = Posare un attrezzo pesante

ex-weight-bearing-all-fours-elbow-taps = A quattro zampe, tocca il gomito
    .start = Su mani e ginocchia, il pavimento spinto via.
    .how = Con l’altra mano tocca il gomito su cui ti reggi, rimettila giù, cambia; il busto resta in piano.
    .task = Passare cose di traverso mentre ci si regge

ex-weight-bearing-foot-march = Corpo dritto sulle mani, passi sul posto
    .start = Su mani e punte dei piedi, corpo dritto, il pavimento spinto via.
    .how = Alza un piede di un palmo, posalo, alza l’altro; le anche restano in piano.
    .task = Arrampicarsi sotto un palco

ex-weight-bearing-pike-shin-taps = Anche in alto, tocca lo stinco
    .start = Su mani e piedi, le anche in alto.
    .how = Porta una mano indietro allo stinco opposto, rimettila giù, cambia.
    .task = Lavorare in basso reggendosi su un braccio

ex-weight-bearing-wall-screw = Gira il braccio sul muro
    .start = In piedi, appoggia piano le mani a un muro, palmi aperti all’altezza del petto, gomiti dritti.
    .how = Senza muovere le mani gira in su la piega dei gomiti, tieni, e lasciala tornare.
    .task = Girare una maniglia dura

ex-reach-and-push-push-and-sit-back = Spingi via il pavimento e siediti indietro
    .start = Su mani e ginocchia, il pavimento spinto via, la parte alta della schiena tonda.
    .how = Continua a spingere e siediti verso i talloni, torna avanti senza lasciar cadere le scapole.
    .task = Alzarsi da terra

ex-reach-and-push-high-plank-blade-push = Corpo dritto sulle mani, solo le scapole
    .start = Su mani e punte dei piedi, gomiti dritti.
    .how = Lascia scendere il petto tra le scapole, poi spingilo su finché la parte alta della schiena è tonda; i gomiti non si piegano mai.
    .task = Tenere aperta una porta pesante

ex-reach-and-push-single-high-reach = Un allungo in alto alla volta
    .start = In piedi, schiena lunga, il braccio al fianco.
    .how = Allungati in su, e in cima lascia salire spalla e scapola con la mano; giù, aspetta un respiro, e fai il prossimo bene come il primo.
    .task = Prendere un barattolo dallo scaffale alto

ex-row-blade-only = Tira solo con la scapola
    .start = In piedi davanti a una porta, elastico all’altezza della vita, il braccio dritto davanti.
    .how = Porta la scapola indietro verso la spina, il gomito resta dritto; lasciala scivolare avanti piano.
    .task = Smuovere un cassetto pesante

ex-pull-down-chair-lift-held = Alzati sui braccioli e tieni
    .start = Siediti su una sedia con i braccioli, le mani sopra.
    .how = Premi giù, alza un poco il corpo e resta su, il collo lungo; respira.
    .task = Spostarsi su una panca con le mani

ex-push-up-bench-three-pulses = Piegamento alla panca con tre spinte
    .start = Le mani su una panca o sul sedile di una sedia che non scivola, corpo dritto.
    .how = Scendi, spingi su, e in cima allarga tre volte le scapole prima del prossimo.
    .task = Spingere un carico e seguirlo

ex-mobility-heel-sitting-reach = Allungo sui talloni
    .start = Su mani e ginocchia, siediti indietro verso i talloni.
    .how = Lascia le mani dove sono e scendere il petto finché i lati della schiena tirano, e aspetta.
    .task = Arrivare sotto un palco basso

ex-mobility-roller-side-of-back = Rullo lungo il lato della schiena
    .start = In piedi di fianco a un muro, il rullo tra il muro e il fianco, appena dietro l’ascella.
    .how = Piega e stendi le ginocchia così che il rullo scorra lungo il lato della schiena. Mai su pelle insensibile, su una ferita o dove formicola.
    .task = Sciogliere prima di allungarsi

ex-mobility-roller-lying-w = Braccia su e giù sul rullo
    .start = Sdraiati lungo il rullo, testa e anche sopra, piedi larghi, gomiti piegati e in fuori.
    .how = Fai scivolare le braccia in su accanto alla testa e di nuovo giù, vicino a terra, fin dove va senza forza.
    .task = Aprirsi prima del lavoro in alto

ex-mobility-roller-lying-hug = Abbraccio e allungo sul rullo
    .start = Sdraiati lungo il rullo, testa e anche sopra, piedi larghi.
    .how = Apri le braccia come attorno a una botte, poi allunga le due mani al soffitto finché le scapole lasciano il rullo.
    .task = Passare qualcosa in alto

ex-assisted-elevation-pulley-facing = Carrucola, di fronte alla porta
    .start = Siediti di fronte alla porta sotto la carrucola, una maniglia per mano.
    .how = Tira giù con l’altro braccio: così { the-arm } sale davanti. Abbassalo piano. Tre o quattro giorni tranquilli così prima di girarti.
    .task = Prendere una tazza

ex-wall-slide-finger-walk-oblique = Dita che salgono il muro, a metà di lato
    .start = In piedi, il corpo a metà verso un muro, { the-arm } più vicino, la punta delle dita sul muro.
    .how = Cammina con le dita su per il muro fino al limite, fermati, e torna giù. Tre o quattro giorni tranquilli così prima di metterti di fianco.
    .task = Arrivare a un interruttore dietro l’angolo

ex-prone-raise-sitting-four-shapes = Da seduti, tieni quattro forme
    .start = Siediti sul bordo di una sedia, schiena lunga, mento in piano.
    .how = Tieni una alla volta: gomiti bassi e piegati, gomiti all’altezza della spalla, braccia di lato, braccia in su e in fuori; scapole indietro, collo lungo.
    .task = Guidare chi fa manovra

ex-slow-lowering-heavy-across = Discesa lenta e pesante, davanti al corpo
    .start = Sdraiati sull’altro fianco; l’altra mano aiuta il peso a salire finché il braccio punta al soffitto.
    .how = Lascialo scendere davanti a te senza aiuto, più piano che puoi, e fatti aiutare a risalire.
    .task = Finire un lancio

ex-quick-power-standing-ball-drops = Lascia e riprendi la palla in piedi
    .start = In piedi, il braccio avanti e di lato, palmo in giù, una palla leggera in mano.
    .how = Lascia la palla e riprendila da sopra, con ritmo regolare, la spalla tranquilla.
    .task = Riprendere quello che scivola

ex-work-task-rope-waves = Onde con la fune
    .start = In piedi a ginocchia piegate, il capo di una fune pesante in mano, l’altro legato in basso davanti.
    .how = Manda onde lungo la fune dall’anca, una dopo l’altra; la spalla resta giù.
    .task = Scuotere un telo pesante

ex-external-rotation-hands-on-slow = Gira in fuori contro la mano di chi ti aiuta
    .start = Sdraiati sulla schiena, il gomito appoggiato al fianco. Una persona esperta fa resistenza al polso.
    .how = Gira in fuori contro la mano, poi cedi piano mentre lei preme un poco più di quanto puoi reggere.
    .task = Frenare il braccio

ex-active-elevation-end-holds = Tieni un momento alla fine
    .start = In piedi, il braccio già alzato davanti all’altezza della spalla.
    .how = Alzalo fin dove oggi è libero, tienilo lì per pochi secondi, abbassalo all’altezza della spalla, e di nuovo.
    .task = Lavorare al soffitto un momento alla volta

ex-row-from-knee = Tira dall’altezza del ginocchio
    .start = In piedi davanti a una porta, elastico all’altezza del ginocchio, il braccio un poco davanti alla coscia.
    .how = Tira la mano in su verso la tasca, la scapola scivola indietro e in giù; torna piano.
    .task = Alzare una valigia

ex-raise-strength-front-on-elastic = Alza davanti sull’elastico
    .start = In piedi sull’elastico, il capo in mano, pollice in su.
    .how = Alza davanti il braccio dritto, non più in alto della spalla, e lascialo scendere piano.
    .task = Mettere una scatola su uno scaffale

ex-row-straight-arm-back = Braccio dritto indietro sull’elastico
    .start = In piedi con un piede avanti sull’elastico, il capo in mano, la spalla non tirata in avanti.
    .how = Tira il braccio dritto indietro oltre la coscia, il davanti della spalla resta dov’è; torna piano.
    .task = Tirare un carrello dietro di sé
