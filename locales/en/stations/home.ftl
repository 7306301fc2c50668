# What goes home.

home-title = Home
home-not-signed = nothing to hand out yet
home-sign-first = The sheet and the calendar come from a signed program.
home-edited-since = The program was edited after it was signed. Sign it again before printing.
home-lead = What the patient takes away today: drawings, dose, limits in plain words, when to stop.
home-pdf = Sheet as PDF
home-calendar = Calendar file
home-no-lines = No exercises run today.
home-advice = Told today
home-may = May I …?
home-may-from = { $what }: not before day { $day }
home-arms = which arm works
home-arms-text = In every drawing { the-arm } is tinted and the other arm is hatched.

home-undrawn = The sheet’s letters hold no { $letters }: write the name on the sheet by hand, or write it in Latin, Greek or Cyrillic letters in the record.

home-untried = { $count ->
    [one] One exercise was
   *[other] { $count } exercises were
} not tried out in the room yet and stay off the sheet:
