@echo off
rem Starts Atalaya. Needs Java 17 or newer: ATALAYA_JAVA_HOME's, else JAVA_HOME's, else the one on the path.
setlocal
set "home=%~dp0.."
set "java=java"
if defined JAVA_HOME if exist "%JAVA_HOME%\bin\java.exe" set "java=%JAVA_HOME%\bin\java.exe"
if defined ATALAYA_JAVA_HOME set "java=%ATALAYA_JAVA_HOME%\bin\java.exe"
for %%J in ("%home%\lib\atalaya-cli-*.jar") do set "jar=%%~fJ"
"%java%" -XX:+UseSerialGC -Xmn64m -XX:TieredStopAtLevel=1 "-Datalaya.home=%home%" -jar "%jar%" %*
exit /b %ERRORLEVEL%
