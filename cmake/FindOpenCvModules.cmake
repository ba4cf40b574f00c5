# SPDX-License-Identifier: GPL-3.0-or-later
# OpenCV's separate Debian packages come without its CMake configuration, so look for the modules used.
find_path(OPENCV_INCLUDE opencv2/core.hpp PATH_SUFFIXES opencv4)
set(_needed OPENCV_INCLUDE)
foreach(module core imgproc video dnn)
  find_library(OPENCV_${module} opencv_${module})
  list(APPEND _needed OPENCV_${module})
endforeach()
include(FindPackageHandleStandardArgs)
find_package_handle_standard_args(OpenCvModules REQUIRED_VARS ${_needed})
if(OpenCvModules_FOUND AND NOT TARGET OpenCv::modules)
  add_library(OpenCv::modules INTERFACE IMPORTED)
  target_include_directories(OpenCv::modules SYSTEM INTERFACE ${OPENCV_INCLUDE})
  target_link_libraries(OpenCv::modules INTERFACE ${OPENCV_video} ${OPENCV_imgproc} ${OPENCV_core})
  add_library(OpenCv::dnn INTERFACE IMPORTED) # large: only for whoever looks for bodies
  target_link_libraries(OpenCv::dnn INTERFACE ${OPENCV_dnn} OpenCv::modules)
endif()
