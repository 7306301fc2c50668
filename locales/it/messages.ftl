# Promemoria mandati a un telefono o per posta. Altri possono leggerli: qui non sta niente della spalla.

message-clinic = La tua clinica
message-call = Per cambiare qualcosa chiama { $number }.
message-appointment = { $clinic }: hai un appuntamento { $weekday } { $day } { $month } alle { $time }. { $call } Rispondi STOP e non mandiamo altro.
message-exercises = { $clinic }: i tuoi esercizi di oggi ti aspettano. { $call } Rispondi STOP e non mandiamo altro.
