"""What a build costs: lines, totals with their scope, and the horizon."""
