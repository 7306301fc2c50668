// The sheet a patient takes home: A4, legible in grey, tagged.
#let d = json("data.json")
#set document(title: d.title, author: "Ritorno")
#set page(paper: "a4", margin: (x: 17mm, top: 16mm, bottom: 18mm), footer: context [
  #set text(8.5pt, fill: luma(90))
  #d.name #h(1fr) #d.page #counter(page).display()
])
#set text(font: "Ritorno Sans", size: 11pt, lang: "en", region: "gb", fill: rgb("#22211f"))
#set par(leading: 0.62em)
#set heading(numbering: none)
#show heading.where(level: 1): it => block(below: 3mm, text(21pt, weight: 700, it.body))
#show heading.where(level: 2): it => block(above: 5mm, below: 2.5mm, text(13.5pt, weight: 700, fill: rgb("#12616b"), it.body))
#show heading.where(level: 3): it => block(above: 0mm, below: 2.4mm, text(12.5pt, weight: 700, it.body))

= #d.title
#grid(columns: (1fr, auto), [
  #text(13pt)[#d.for_line] \
  #d.clock
], align(right, text(9.5pt, fill: luma(80))[#d.signed]))

#block(fill: rgb("#f4efe4"), inset: 3.2mm, radius: 1.5mm, width: 100%)[#d.arm]

#grid(columns: (1fr, 1fr), column-gutter: 7mm,
  [
    == #d.limits_title
    #for row in d.limits [
      *#row.what* \ #row.how
      #v(1mm)
    ]
    #if d.sling != "" [*#d.sling_title* \ #d.sling]
  ],
  [
    == #d.avoid_title
    #if d.avoid.len() == 0 [ #d.avoid_none ] else [ #list(marker: [–], ..d.avoid.map(a => [#a])) ]
    #if d.habits.len() > 0 [
      == #d.habits_title
      #list(marker: [–], ..d.habits.map(a => [#a]))
    ]
  ])

#block(stroke: (left: 1.6mm + rgb("#a8402c")), inset: (left: 4mm, y: 1mm), width: 100%)[
  == #d.stop_title
  #list(marker: [–], ..d.stop.map(s => [#s]))
  *#d.stop_now*
  #if d.call != "" [ \ *#d.call* ]
]
#v(2mm)
#d.pain

== #d.kit_title
#d.kit

#grid(columns: (1fr, 1fr), column-gutter: 7mm,
  if d.advice.len() > 0 [
    == #d.advice_title
    #list(marker: [–], ..d.advice.map(a => [#a]))
  ],
  if d.may.len() > 0 [
    == #d.may_title
    #list(marker: [–], ..d.may.map(a => [#a]))
  ])

#pagebreak()
== #d.exercises_title
#if d.exercises.len() == 0 [ #d.no_lines ]
#if d.waits != "" [ *#d.waits_title:* #d.waits ]
#for (i, e) in d.exercises.enumerate() [
  #block(breakable: false, width: 100%, inset: (y: 2.6mm), stroke: (top: 0.4pt + luma(190)))[
    #grid(columns: (46mm, 1fr), column-gutter: 6mm, align: (center + horizon, left),
      [
        #image(e.figure, alt: e.alt, height: 34mm, width: 46mm, fit: "contain")
        #v(-1.5mm)
        #text(9pt, weight: 700, fill: rgb("#12616b"))[#e.arm.split(". ").join([. \ ])]
      ],
      [
        === #(i + 1). #e.name
        #text(12.5pt, weight: 700, fill: rgb("#12616b"))[#e.dose] \
        #e.start #e.how #e.cues
        #if e.limit != "" [ \ *#e.limit.* ]
        #if e.watch != "" [ \ #text(9.5pt, fill: luma(70))[#e.watch] ]
        \ #text(9.5pt, fill: luma(70))[#e.task]
      ])
  ]
]
#v(3mm)
#text(9pt, fill: luma(70))[#d.safety]
