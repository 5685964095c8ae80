#!/usr/bin/python3
"""Prints the first sheet of a workbook as JSON: a list of rows, each with its cells by the names of the columns."""
import json
import sys

import openpyxl

rows = openpyxl.load_workbook(sys.argv[1], data_only=False).worksheets[0].iter_rows()
names = [cell.value for cell in next(rows)]
formulas = []
table = []
for row in rows:
    formulas += [cell.coordinate for cell in row if cell.data_type == "f"]
    table.append({name: cell.value for name, cell in zip(names, row)})
json.dump({"rows": table, "formulas": formulas}, sys.stdout)
