return await Dekoro.Server.Commands.RunAsync(args);
