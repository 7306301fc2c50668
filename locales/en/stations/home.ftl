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

home-link-title = The patient’s own page
home-link-none = There is no link yet. With one, the patient reads the program on a telephone and tells what was done.
home-link-made = A link was made and not opened yet. It works until { $date }.
home-link-opened = Opened on a telephone; nothing was told yet. The link works until { $date }.
home-link-told = Last told from home on { $told }. The link works until { $date }.
home-link-over = The link ran out on { $date }.
home-link-locked = Locked: the birth date did not fit several times. Make a new link.
home-link-make = Make a link
home-link-renew = Make a new link
home-link-renew-sure = The link that is out, and telephones that were let in, work no longer.
home-link-end = End it
home-link-end-sure = The patient can then read and tell nothing from home.
home-link-how = Let the patient read this with the telephone’s camera. The first opening asks for the birth date.
home-link-once = It is shown this once: only its digest is kept.
home-link-picture = The link as a picture for a camera
home-link-sheet = Sheet with this link
sheet-large = Large print
sheet-letter = Letter paper
home-no-number = The clinic has set no number to call: the sheet and the patient’s page cannot say whom to call.
home-set-number = Set it
home-preview = What the patient sees
home-preview-lead = The patient’s own page as it stands today. Nothing that is tapped here is told.

remind-title = Reminders
remind-lead = Only what the patient agreed to. A reminder says when, and whom to call; nothing of the shoulder.
remind-no-service = No message service is set up: nothing is sent until whoever runs the server names one.
remind-simulated = The message service is simulated: nothing leaves this machine.
remind-read = Read what was sent
remind-way = How
remind-none = no reminders
remind-text = text message
remind-mail = mail
remind-number = Telephone number
remind-address = Mail address
remind-appointments = Appointments, a day before
remind-exercises = Exercises of the day, at
remind-quiet = Nothing between
remind-quiet-until = and
remind-agreed = The patient was asked and agreed
remind-keep = Keep
remind-kept = Kept. The patient can end it on their page or by answering STOP.
remind-since = Agreed on { $date }
remind-never = Not asked yet
remind-ended = Ended on { $date }
remind-ended-by-patient = Ended by the patient on { $date }
remind-sent = Sent
remind-of-appointment = Appointment
remind-of-exercises = Exercises
remind-state-sending = not taken yet, tried again
remind-state-taken = on its way
remind-state-delivered = delivered
remind-state-failed = could not be delivered
remind-state-refused = not taken: check the address
remind-state-given_up = not sent: it was too late, or no longer wanted

home-kit = Needed at home
home-kit-for = { $count ->
    [one] for one exercise
   *[other] for { $count } exercises
}
home-kit-told = told to be missing on { $date }
home-kit-gone = It is not there
home-kit-back = It is there
home-kit-missing = { $count ->
    [one] One exercise needs what is not there.
   *[other] { $count } exercises need what is not there.
}
home-kit-again = Propose again without it
