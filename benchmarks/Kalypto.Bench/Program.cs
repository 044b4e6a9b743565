using Kalypto.Bench;

// usage: Kalypto.Bench DEMO_FOLDER
var demo = args is [var folder] ? folder : "demo";
Console.WriteLine("what                                                     measured    target");
Reading.Run();
Planning.Run();
await Building.RunAsync(demo);
