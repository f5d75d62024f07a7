"""What every request meets before it reaches an endpoint: its bounds, its trace, who it is, and how the place fares."""
