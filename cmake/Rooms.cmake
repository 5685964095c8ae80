# A room is a target; what it may use is written in its target_link_libraries, and nothing points upwards.

# What handles texts, files and widgets rather than numbers gains nothing from more optimisation, and is built in
# three quarters of the time.
set(UTTRIN_LIGHT $<$<CONFIG:Release>:-O1>)

# Headers that nearly every source of a kind reads, read once for all of them.
function(uttrin_core_headers name)
  add_library(${name} STATIC ${PROJECT_SOURCE_DIR}/cmake/Headers.cpp)
  target_compile_options(${name} PRIVATE ${ARGN})
  target_link_libraries(${name} PRIVATE uttrin_warnings nlohmann_json::nlohmann_json tl::expected)
  target_precompile_headers(${name} PRIVATE
    <algorithm> <array> <cmath> <cstdint> <filesystem> <functional> <map> <memory> <optional> <set> <span> <string>
    <string_view> <utility> <variant> <vector>
    <nlohmann/json.hpp> <tl/expected.hpp>)
endfunction()
uttrin_core_headers(uttrin_core_headers)
uttrin_core_headers(uttrin_light_headers ${UTTRIN_LIGHT})

# uttrin_room(NAME SOURCE...): a room of the core that reckons, uttrin_NAME.
function(uttrin_room name)
  add_library(uttrin_${name} STATIC ${ARGN})
  target_include_directories(uttrin_${name} PUBLIC ${PROJECT_SOURCE_DIR}/src)
  target_link_libraries(uttrin_${name} PRIVATE uttrin_warnings)
  target_precompile_headers(uttrin_${name} REUSE_FROM uttrin_core_headers)
endfunction()

# uttrin_light_room(NAME SOURCE...): a room of the core that handles texts and files.
function(uttrin_light_room name)
  add_library(uttrin_${name} STATIC ${ARGN})
  target_compile_options(uttrin_${name} PRIVATE ${UTTRIN_LIGHT})
  target_include_directories(uttrin_${name} PUBLIC ${PROJECT_SOURCE_DIR}/src)
  target_link_libraries(uttrin_${name} PRIVATE uttrin_warnings)
  target_precompile_headers(uttrin_${name} REUSE_FROM uttrin_light_headers)
endfunction()

# The same for the window's rooms; called once, when Qt was found.
set(UTTRIN_WINDOW_HEADERS
  <algorithm> <array> <cmath> <cstdint> <functional> <map> <memory> <optional> <set> <span> <string> <string_view>
  <utility> <variant> <vector>
  <tl/expected.hpp>
  <QApplication> <QCheckBox> <QComboBox> <QFileInfo> <QGridLayout> <QHBoxLayout> <QImage> <QKeyEvent> <QLabel> <QLineEdit>
  <QMenu> <QPainter> <QPainterPath> <QPushButton> <QScrollArea> <QStackedWidget> <QString> <QStringList> <QStyle> <QTableView>
  <QTimer> <QVBoxLayout> <QVector> <QWidget>)
function(uttrin_window_headers)
  add_library(uttrin_window_headers STATIC ${PROJECT_SOURCE_DIR}/cmake/Headers.cpp)
  target_compile_options(uttrin_window_headers PRIVATE ${UTTRIN_LIGHT})
  target_link_libraries(uttrin_window_headers PRIVATE uttrin_warnings tl::expected Qt6::Widgets)
  target_precompile_headers(uttrin_window_headers PRIVATE ${UTTRIN_WINDOW_HEADERS})
endfunction()

# uttrin_plot_room(NAME SOURCE...): a room of the window that brings its own precompiled headers. Each class' moc
# output is included by its own source.
function(uttrin_plot_room name)
  add_library(uttrin_${name} STATIC ${ARGN})
  set_target_properties(uttrin_${name} PROPERTIES AUTOMOC ON)
  target_compile_options(uttrin_${name} PRIVATE ${UTTRIN_LIGHT})
  target_include_directories(uttrin_${name} PUBLIC ${PROJECT_SOURCE_DIR}/src)
  target_link_libraries(uttrin_${name} PRIVATE uttrin_warnings)
endfunction()

# uttrin_window_room(NAME SOURCE...): a room of the window, uttrin_NAME.
function(uttrin_window_room name)
  uttrin_plot_room(${name} ${ARGN})
  target_precompile_headers(uttrin_${name} REUSE_FROM uttrin_window_headers)
endfunction()

# A source OUTPUT in the binary folder with the texts of files, given by FUNCTION as HEADER declares it.
function(uttrin_embed output header function)
  add_custom_command(OUTPUT ${CMAKE_CURRENT_BINARY_DIR}/${output}
                     COMMAND ${CMAKE_COMMAND} -DOUT=${CMAKE_CURRENT_BINARY_DIR}/${output} -DHEADER=${header} -DFUNCTION=${function} "-DFILES=${ARGN}"
                             -P ${PROJECT_SOURCE_DIR}/cmake/EmbedTexts.cmake
                     DEPENDS ${ARGN} ${PROJECT_SOURCE_DIR}/cmake/EmbedTexts.cmake VERBATIM COMMENT "Embedding ${output}")
endfunction()
