"""Pure computation: values in, values out. No Qt, files, sockets, threads or clocks."""
