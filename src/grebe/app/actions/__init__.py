"""Every action of the window as data: what it is called, where it stands, what it needs."""
