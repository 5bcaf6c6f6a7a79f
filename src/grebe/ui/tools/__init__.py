"""Tools: small calculators."""
