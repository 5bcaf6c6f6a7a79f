"""The window: PyQt6 widgets. What it shows comes from `app`; no rules here."""
