using Dekoro.Application.Hosting;
using Dekoro.Server.Hosting;

Memory.Prepare();
return await Commands.RunAsync(args);
