"""The only place that opens devices and sockets. Nothing musical here."""
