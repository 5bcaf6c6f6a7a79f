"""The stations, one package each."""
