// The sheet a patient takes home: A4 or Letter, legible in grey, tagged; in large print where it is asked for.
#let d = json("data.json")
#let k = if d.large { 1.45 } else { 1.0 }
#let pt(n) = n * k * 1pt
#let petrol = rgb("#12616b")
#let soft = luma(75)
#set document(title: d.title, author: "Ritorno")
#set page(paper: d.paper, margin: (x: 14mm, top: 11mm, bottom: 13mm), footer: context [
  #set text(8.5pt, fill: luma(90))
  #d.name #h(1fr) #d.page #counter(page).display() / #counter(page).final().first()
])
#set text(font: "Ritorno Sans", size: pt(10.5), lang: d.lang, region: d.region, fill: rgb("#22211f"))
#set par(leading: 0.55em, spacing: 0.75em)
#set list(marker: [–], spacing: 0.5em)
#set heading(numbering: none)
#show heading.where(level: 1): it => block(below: k * 2mm, text(pt(19), weight: 700, it.body))
#show heading.where(level: 2): it => block(above: k * 3.8mm, below: k * 2.5mm, text(pt(12.5), weight: 700, fill: petrol, it.body))
#show heading.where(level: 3): it => block(above: 0mm, below: k * 2mm, text(pt(11.5), weight: 700, it.body))
// Side by side where there is room for it: large print takes the whole width.
#let pair(a, b) = if d.large { a; b } else { grid(columns: (1fr, 1fr), column-gutter: 7mm, a, b) }
#let listed(title, rows) = if rows.len() > 0 [
  == #title
  #list(..rows.map(row => [#row]))
]

#grid(columns: (1fr, auto), column-gutter: 6mm, [
  = #d.title
  #text(pt(12))[#d.for_line] \
  #d.clock. #text(pt(9), fill: soft)[#d.signed.]
  #if d.phase != "" [ \ *#d.phase*]
  #if d.next != "" [ \ *#d.next*]
], if d.code [
  #align(right)[
    #image("code.svg", alt: d.code_text, width: 25mm)
    #block(width: 44mm, text(pt(8), fill: soft)[#d.code_text])
  ]
])
#block(fill: rgb("#f4efe4"), inset: (x: 3mm, y: 2mm), radius: 1.5mm, width: 100%, above: 2.5mm, below: 2.5mm)[
  #d.arm
]

// What the limits look like, beside the list that leaves room for it.
#let drawn = d.limits.filter(row => row.figure != none)
#let limits = [
  == #d.limits_title
  #for row in d.limits [
    *#row.what* \ #row.how
    #v(0.6mm)
  ]
  #if d.sling != "" [*#d.sling_title* \ #d.sling]
]
#let avoid = [
  == #d.avoid_title
  #if d.avoid.len() == 0 [ #d.avoid_none ] else [ #list(..d.avoid.map(a => [#a])) ]
  #listed(d.habits_title, d.habits)
]
#let drawings = if drawn.len() > 0 {
  grid(columns: drawn.map(_ => 1fr), column-gutter: 2mm, ..drawn.map(row => align(center)[
    #image(row.figure, alt: row.what + ": " + row.how, height: k * 17mm, width: k * 24mm, fit: "contain")
    #v(-2mm)
    #text(pt(8), fill: soft)[#row.what]
  ]))
}
#layout(size => {
  let tall(body) = measure(block(width: (size.width - 7mm) / 2, body)).height
  if tall(limits) > tall(avoid) { pair(limits, avoid + drawings) } else { pair(limits + drawings, avoid) }
})

#block(stroke: (left: 1.6mm + rgb("#a8402c")), inset: (left: 4mm, y: 0.5mm), width: 100%, breakable: false)[
  == #d.stop_title
  #list(..d.stop.map(s => [#s]))
  *#d.stop_now*
  #if d.call != "" [ \ *#d.call* ]
]
#pair([
  #d.pain

  == #d.kit_title
  #d.kit
], [
  #block(stroke: 0.6pt + luma(120), inset: (x: 3mm, y: 2.2mm), radius: 1.5mm, width: 100%, below: 2mm)[
    === #d.bad_day_title
    #d.bad_day
  ]
  #text(pt(9), fill: soft)[#d.safety]
])

#pair(listed(d.advice_title, d.advice), listed(d.may_title, d.may))

== #d.exercises_title
#if d.exercises.len() == 0 [ #d.no_lines ]
#if d.waits != "" [ *#d.waits_title:* #d.waits ]
#let picture(file, alt, word) = block(width: 26mm, align(center)[
  #image(file, alt: alt, height: 21mm, width: 26mm, fit: "contain")
  #v(-2mm)
  #text(pt(8), fill: soft)[#word]
])
#for (i, e) in d.exercises.enumerate() [
  #block(breakable: false, width: 100%, inset: (y: 1.6mm), above: 0mm, below: 0mm, stroke: (top: 0.4pt + luma(190)))[
    #grid(columns: (54mm, 1fr), column-gutter: 4mm, align: (left, left),
      [
        #if e.start_figure != none [
          #grid(columns: (26mm, 26mm), column-gutter: 2mm,
            picture(e.start_figure, d.start_word + ": " + e.name, d.start_word),
            picture(e.figure, e.alt, d.end_word))
        ] else [
          #align(center, picture(e.figure, e.alt, ""))
        ]
        #align(center, text(pt(8.5), weight: 700, fill: petrol)[#e.arm])
      ],
      [
        === #(i + 1). #e.name
        #text(pt(11.5), weight: 700, fill: petrol)[#e.dose.] #if e.on_days != "" [*#e.on_days.*] \
        #e.start #e.how #e.cues
        #if e.limit != "" [*#e.limit.*]
        \ #text(pt(9.5), fill: soft)[#e.watch #e.task. #e.easier.]
      ])
  ]
]

#if d.week.rows.len() > 0 [
  #v(1.5mm)
  #block(breakable: false, width: 100%)[
    == #d.week_title
    #if d.hours != "" [*#d.hours* \ ]
    #let tick = box(width: 3.4mm, height: 3.4mm, stroke: 0.6pt + luma(60), radius: 0.5mm)
    #set text(pt(9.5))
    #table(
      columns: (1fr, ..d.week.days.map(_ => 17mm)),
      stroke: (_, y) => (bottom: 0.4pt + luma(190)),
      inset: (x: 0.8mm, y: 0.9mm),
      align: (x, _) => if x == 0 { left + horizon } else { center + horizon },
      table.header([], ..d.week.days.map(day => [*#day.name #day.date*])),
      ..d.week.rows.enumerate().map(((i, row)) => (
        [#(i + 1). #row.name],
        ..row.boxes.map(n => if n == 0 [–] else [#range(n).map(_ => tick).join(h(1mm))]),
      )).flatten(),
    )
  ]
]
