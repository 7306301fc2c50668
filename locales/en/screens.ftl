app-name = Ritorno
