"""What things cost: prices, lines and totals, in whole minor units of one currency."""
