using Kalypto.Bench;

// usage: Kalypto.Bench DEMO_FOLDER
//        Kalypto.Bench pure DEMO_FOLDER LIST
if (args is ["pure", var drawings, var list])
{
    await Pure.RunAsync(drawings, list);
    return;
}
var demo = args is [var folder] ? folder : "demo";
Console.WriteLine("what                                                     measured    target");
Reading.Run();
Planning.Run();
await Building.RunAsync(demo);
