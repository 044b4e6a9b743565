using Kalypto.Bench;

// usage: Kalypto.Bench DEMO_FOLDER
//        Kalypto.Bench pure DEMO_FOLDER LIST
//        Kalypto.Bench drafts DEMO_FOLDER [SEEDS [CASE]]
//        Kalypto.Bench icons DEMO_FOLDER SVG_FOLDER OUT
if (args is ["plates"])
{
    Plates.Run();
    return;
}
if (args is ["pages"])
{
    Pages.Run();
    return;
}
if (args is ["many"])
{
    ManyDesigns.Run();
    return;
}
if (args is ["estimates", var lettering, .. var estimated])
{
    await Estimates.RunAsync(lettering, estimated, isTold: true);
    return;
}
if (args is ["photos", var photos])
{
    await Building.PhotosAsync(photos);
    return;
}
if (args is ["exactly", var sky])
{
    await Exactly.RunAsync(sky);
    return;
}
if (args is ["drafts", var board, "large"])
{
    await Drafts.LargeAsync(board);
    return;
}
if (args is ["drafts", var drafts, .. var rest])
{
    await Drafts.RunAsync(drafts, rest is [var seeds, ..] ? int.Parse(seeds, System.Globalization.CultureInfo.InvariantCulture) : 12, rest is [_, var only] ? only : "");
    return;
}
if (args is ["pure", var drawings, var list])
{
    await Pure.RunAsync(drawings, list);
    return;
}
if (args is ["icons", var fonts, var icons, var written])
{
    await Icons.RunAsync(fonts, icons, written);
    return;
}
var demo = args is [var folder] ? folder : "demo";
Console.WriteLine("what                                                     measured    target");
Reading.Run();
Planning.Run();
Plates.Run();
Pages.Run();
ManyDesigns.Run();
await Drafts.LargeAsync(demo);
await Drafts.RunAsync(demo);
await Building.RunAsync(demo);
await Estimates.RunAsync(demo, [Path.Combine(demo, "visitor-app.svg"), Path.Combine(demo, "website.svg")]);
await Exactly.RunAsync(demo);
