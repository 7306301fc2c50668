# Outcome scores.

scores-title = Scores
scores-sheet = Tick on the licensed sheet; only the numbers come here.
scores-how = Digits answer and move on, t is ten, a dot leaves an item out.
scores-how-number = Type the number, Enter moves on.
scores-keep = Keep
scores-clear = Empty the sheet
scores-none = not filled yet
scores-better-more = more is better
scores-better-less = less is better
scores-answered = { $given } of { $items } answered
scores-may-miss = { $n ->
    [0] all needed
    [one] one may be missing
   *[other] { $n } may be missing
}
scores-rule-published = Missing items: published rule.
scores-rule-our-choice = Missing items: no published rule; ours is stricter.
scores-detectable = less than { $detectable } is within error
scores-important-elsewhere = Disputed: in other studies { $low } to { $high } matter.
scores-detectable-elsewhere = Within error: { $low } to { $high } in other studies.
scores-not-shoulders = Not found in people with a sore shoulder.
scores-important = { $important } or more matters
scores-item = Item { $n }
scores-history = Earlier sheets
