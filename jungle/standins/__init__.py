"""Stand-ins for what is outside: the sample world's shops, and a desk for exchange rates, as servers on loopback."""
