Dekoro.Server.Work.Memory.Prepare();
return await Dekoro.Server.Commands.RunAsync(args);
