"""What stations share: drawing, forms, sheets, colours, numbers as text."""
