# SPDX-License-Identifier: GPL-3.0-or-later
# Flags of every target of ours, and the one way to declare a library or a test.

add_library(deft_flags INTERFACE)
target_compile_options(deft_flags INTERFACE
  -Wall -Wextra -Wshadow -Wconversion -Wno-sign-conversion
  -ffp-contract=off) # the same numbers on machines with and without fused multiply-add
if(DEFT_WERROR)
  target_compile_options(deft_flags INTERFACE -Werror)
endif()
if(DEFT_ASAN)
  target_compile_options(deft_flags INTERFACE -fsanitize=address,undefined -fno-sanitize-recover=all -fno-omit-frame-pointer)
  target_link_options(deft_flags INTERFACE -fsanitize=address,undefined)
endif()

if(DEFT_TSAN)
  target_compile_options(deft_flags INTERFACE -fsanitize=thread -fno-omit-frame-pointer)
  target_link_options(deft_flags INTERFACE -fsanitize=thread)
endif()

# Headers that cost most of a small file's build are compiled once for the core, once for the application and once for
# the tests. Files still include what they use: -DDEFT_PRECOMPILE=OFF shows it.
set(_core_headers <algorithm> <cmath> <filesystem> <functional> <map> <memory> <optional> <string> <vector>
    <nlohmann/json.hpp> <tl/expected.hpp> <Eigen/Dense>)
function(deft_precompile target)
  if(DEFT_PRECOMPILE)
    target_link_libraries(${target} PRIVATE Eigen3::Eigen)
    target_compile_options(${target} PRIVATE -fpch-preprocess) # for ccache
    target_precompile_headers(${target} PRIVATE ${_core_headers} ${ARGN})
  endif()
endfunction()
function(deft_precompiled_as target other)
  if(DEFT_PRECOMPILE)
    target_compile_options(${target} PRIVATE -fpch-preprocess)
    target_precompile_headers(${target} REUSE_FROM ${other})
  endif()
endfunction()

# Floors that go over frames and pixels are optimised in full. The others wait for people and disks, and a third of what
# they cost to build is optimising.
set(_computing geometry signal stats video tracking detection proposals measures events checks judgement review figure)
function(deft_optimise target)
  if(NOT target MATCHES "^deft_(.+)$" OR NOT CMAKE_MATCH_1 IN_LIST _computing)
    target_compile_options(${target} PRIVATE $<$<NOT:$<CONFIG:Debug>>:-O1>)
  endif()
endfunction()

# deft_library(geometry LINK deft::base Eigen3::Eigen)
# One static library for one folder; the links are the only folders it may include from.
function(deft_library name)
  cmake_parse_arguments(ARG "" "" "LINK" ${ARGN})
  file(GLOB sources CONFIGURE_DEPENDS *.cpp *.h)
  add_library(deft_${name} STATIC ${sources})
  add_library(deft::${name} ALIAS deft_${name})
  set_target_properties(deft_${name} PROPERTIES LINKER_LANGUAGE CXX)
  target_link_libraries(deft_${name} PUBLIC ${ARG_LINK} PRIVATE deft_flags)
  deft_optimise(deft_${name})
  if(name STREQUAL "base")
    deft_precompile(deft_base)
  else()
    deft_precompiled_as(deft_${name} deft_base)
  endif()
endfunction()

# deft_test(signal_filter filter_test.cpp LINK deft::signal)
function(deft_test name source)
  cmake_parse_arguments(ARG "" "TIMEOUT" "LINK;LABELS" ${ARGN})
  add_executable(test_${name} ${source})
  # A test is one file that includes its own moc: AUTOMOC would scan, ask the compiler and build one more file for each.
  get_filename_component(stem ${source} NAME_WE)
  set(moc_folder ${CMAKE_CURRENT_BINARY_DIR}/moc/${name})
  qt_generate_moc(${source} ${moc_folder}/${stem}.moc TARGET test_${name})
  set_property(SOURCE ${source} APPEND PROPERTY OBJECT_DEPENDS ${moc_folder}/${stem}.moc)
  target_include_directories(test_${name} PRIVATE ${PROJECT_SOURCE_DIR}/tests ${moc_folder})
  target_compile_definitions(test_${name} PRIVATE
    DEFT_TEST_DATA="${PROJECT_SOURCE_DIR}/tests" DEFT_SOURCE_DIR="${PROJECT_SOURCE_DIR}"
    DEFT_PROGRAM="$<TARGET_FILE:deft-mirror>" DEFT_SCRATCH="${PROJECT_BINARY_DIR}/scratch")
  target_link_libraries(test_${name} PRIVATE ${ARG_LINK} Qt6::Test deft_flags)
  deft_precompiled_as(test_${name} deft_test_headers)
  target_compile_options(test_${name} PRIVATE -O1) # the code under test keeps its own; this halves their build
  add_test(NAME ${name} COMMAND test_${name})
  if(NOT ARG_TIMEOUT)
    set(ARG_TIMEOUT 900) # a busy machine is no fault of the code
  endif()
  set_tests_properties(${name} PROPERTIES TIMEOUT ${ARG_TIMEOUT} LABELS "${ARG_LABELS}"
    ENVIRONMENT "QT_QPA_PLATFORM=offscreen;LC_ALL=C.UTF-8;LOCPATH=${DEFT_LOCALES};QTEST_FUNCTION_TIMEOUT=1200000;TSAN_OPTIONS=halt_on_error=1 suppressions=${PROJECT_SOURCE_DIR}/tests/tsan.supp")
endfunction()

# The locale of tests that run where numbers are written with a comma; no machine needs to have it.
set(DEFT_LOCALES ${PROJECT_BINARY_DIR}/locales)
function(deft_make_comma_locale)
  if(EXISTS ${DEFT_LOCALES}/de_DE.UTF-8/LC_NUMERIC)
    return()
  endif()
  find_program(LOCALEDEF localedef REQUIRED)
  file(MAKE_DIRECTORY ${DEFT_LOCALES})
  execute_process(COMMAND ${LOCALEDEF} -i de_DE -f UTF-8 ${DEFT_LOCALES}/de_DE.UTF-8) # warns of this and that
  if(NOT EXISTS ${DEFT_LOCALES}/de_DE.UTF-8/LC_NUMERIC)
    message(FATAL_ERROR "localedef could not make de_DE.UTF-8; is the package locales installed?")
  endif()
endfunction()

# deft_test_under_comma(store_library): it runs under that locale, and what drives the window is read from the right,
# which finds more; with a point (`_point`) and from the left in the long run only (ctest -C long).
function(deft_test_under_comma)
  foreach(name ${ARGN})
    get_test_property(${name} ENVIRONMENT with_point)
    get_test_property(${name} TIMEOUT timeout)
    string(REPLACE "LC_ALL=C.UTF-8" "LC_ALL=de_DE.UTF-8;DEFT_FROM_THE_RIGHT=1" with_comma "${with_point}")
    add_test(NAME ${name}_point COMMAND test_${name} CONFIGURATIONS long)
    set_tests_properties(${name}_point PROPERTIES ENVIRONMENT "${with_point}" TIMEOUT ${timeout}
      RESOURCE_LOCK ${name}) # both keep settings under one name
    set_tests_properties(${name} PROPERTIES ENVIRONMENT "${with_comma}" RESOURCE_LOCK ${name})
  endforeach()
endfunction()
