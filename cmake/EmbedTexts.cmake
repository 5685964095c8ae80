# Writes a C++ source that holds text files:
# cmake -DOUT=file.cpp -DHEADER=ShippedTexts.h -DFUNCTION=shippedSubstances -DFILES="a.json;b.json" -P EmbedTexts.cmake
set(body "#include \"${HEADER}\"\n\nnamespace uttrin {\n\nstd::span<const ShippedText> ${FUNCTION}() {\n    static constexpr ShippedText texts[] = {\n")
foreach(file IN LISTS FILES)
  get_filename_component(name "${file}" NAME)
  file(READ "${file}" text)
  string(APPEND body "{\"${name}\", R\"~~~(${text})~~~\"},\n")
endforeach()
string(APPEND body "    };\n    return texts;\n}\n\n} // namespace uttrin\n")
file(WRITE "${OUT}" "${body}")
