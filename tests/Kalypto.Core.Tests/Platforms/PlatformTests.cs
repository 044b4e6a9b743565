using System.Text.Json;
using System.Text.RegularExpressions;
using System.Xml.Linq;
using CsCheck;
using Kalypto.Core.Checking;
using Kalypto.Core.Comparing;
using Kalypto.Core.Deciding;
using Kalypto.Core.Designs;
using Kalypto.Core.Exporting;
using Kalypto.Core.Formats;
using Kalypto.Core.Isolating;
using Kalypto.Core.Packing;
using Kalypto.Core.Planning;
using Kalypto.Core.Platforms;
using Kalypto.Core.Rendering;
using Kalypto.Core.Tagging;

namespace Kalypto.Core.Tests.Platforms;

public partial class PlatformTests
{
    private static readonly Box Shape = new(10, 10, 24, 24);

    private static Pack Plan(string inside, string platform, RecipeBook? book, params (string Layer, string Tags)[] ships) => new PackPlanner(new("engine"), _ => new Look(Shape, null))
        .Plan([Svg.Design(inside, Shape, [.. ships.Select(s => (s.Layer, new Mark(Decision.Ship, null, Tags.Parse(s.Tags))))]) with { Recipes = book ?? RecipeBook.Usual }],
            [AllPlatforms.List.First(p => p.Id == platform)]);

    private static string Paths(Pack pack) => string.Join(' ', pack.Files.Select(f => f.Path));

    private static string Text(Pack pack, string path) => pack.SideFiles.Single(f => f.Path == path).Text;

    private const string Bell = "<path id='bell' d='M10 10h9v9z'/>";

    [Fact]
    public void The_web_gets_lines_that_name_every_file_a_sprite_and_names_for_code()
    {
        var pack = Plan(Bell + "<path id='moon' d='M10 10h5v9z'/>", "web", null, ("bell", "icon to:icons"), ("moon", "photo"));
        var html = Text(pack, "web/pictures.html");
        Assert.Contains("<source type=\"image/avif\" srcset=\"moon.avif 1x, moon@2x.avif 2x, moon@3x.avif 3x\" width=\"24\" height=\"24\">\n  <source type=\"image/webp\"", html, StringComparison.Ordinal);
        Assert.Contains("<img src=\"moon.jpg\" srcset=\"moon.jpg 1x, moon@2x.jpg 2x, moon@3x.jpg 3x\" width=\"24\" height=\"24\" alt=\"Moon\">", html, StringComparison.Ordinal);
        Assert.Contains("<img src=\"icons/bell.svg\" width=\"24\"", html, StringComparison.Ordinal);
        // Every file that a line names is there.
        var named = SrcNames().Matches(html + Text(pack, "web/pictures.css") + Text(pack, "web/pictures.ts")).Select(m => m.Groups[1].Value).Distinct().ToList();
        Assert.NotEmpty(named);
        Assert.All(named, name => Assert.Contains(pack.Files, f => f.Path == "web/" + name));
        Assert.All(pack.Files, f => Assert.Contains(f.Path[4..], html, StringComparison.Ordinal));
        Assert.Contains("image-set(", Text(pack, "web/pictures.css"), StringComparison.Ordinal);
        Assert.Equal("icons-bell", (string?)XDocument.Parse(Text(pack, "web/sprite.svg")).Root!.Elements().Single().Attribute("id"));
        var typescript = Text(pack, "web/pictures.ts");
        Assert.Contains("export const bell: Picture = {\n  src: new URL(\"./icons/bell.svg\", import.meta.url).href,\n  width: 24,\n  height: 24,\n  alt: \"Bell\",", typescript, StringComparison.Ordinal);
        Assert.Contains("src: new URL(\"./moon@2x.webp\", import.meta.url).href", typescript, StringComparison.Ordinal);
    }

    [Fact]
    public void Files_of_own_widths_are_told_by_their_width()
    {
        var html = Text(Plan(Bell, "web", null, ("bell", "jpeg -png picture wide:480,960")), "web/pictures.html");
        Assert.Contains("srcset=\"bell-480w.jpg 480w, bell-960w.jpg 960w\" sizes=\"(max-width: 24px) 100vw, 24px\"", html, StringComparison.Ordinal);
    }

    [Fact]
    public void One_square_layer_makes_the_icons_of_site_and_apps()
    {
        const string Icon = "app-icon over:#173a45";
        var web = Plan(Bell, "web", null, ("bell", Icon));
        Assert.Equal("web/apple-touch-icon.png 180, web/favicon.ico 48, web/icon-192.png 192, web/icon-512-maskable.png 512, web/icon-512.png 512",
            string.Join(", ", web.Files.Select(f => $"{f.Path} {f.Width}")));
        // What is masked lies in the middle 80 %.
        Assert.Equal(30, web.Files.First(f => f.Path.Contains("maskable", StringComparison.Ordinal)).Ask.Source.Width, 9);
        Assert.All(web.Files.Where(f => f.Path.Contains("maskable", StringComparison.Ordinal) || f.Path.Contains("touch", StringComparison.Ordinal)), f => Assert.Equal("#173a45", f.Ground));
        var icons = JsonDocument.Parse(Text(web, "web/site.webmanifest")).RootElement.GetProperty("icons").EnumerateArray().ToList();
        Assert.Equal(["any", "any", "maskable"], icons.Select(i => i.GetProperty("purpose").GetString()).Order());
        Assert.All(icons, i => Assert.Contains(web.Files, f => f.Path == "web/" + i.GetProperty("src").GetString() && $"{f.Width}x{f.Height}" == i.GetProperty("sizes").GetString()));
        var apple = Plan(Bell, "apple", null, ("bell", Icon));
        Assert.Equal((1024, "#173a45"), (apple.Files.Single().Width, apple.Files.Single().Ground));
        var image = JsonDocument.Parse(Text(apple, "apple/Assets.xcassets/AppIcon.appiconset/Contents.json")).RootElement.GetProperty("images")[0];
        Assert.Equal(("AppIcon.png", "ios", "1024x1024"), (image.GetProperty("filename").GetString(), image.GetProperty("platform").GetString(), image.GetProperty("size").GetString()));
        var android = Plan(Bell, "android", null, ("bell", Icon));
        Assert.Equal([48, 72, 96, 108, 144, 162, 192, 216, 324, 432], android.Files.Select(f => f.Width).Order());
        Assert.Contains("#173A45", Text(android, "android/res/values/ic_launcher_background.xml"), StringComparison.Ordinal);
        Assert.Contains("@mipmap/ic_launcher_foreground", XDocument.Parse(Text(android, "android/res/mipmap-anydpi-v26/ic_launcher.xml")).ToString(), StringComparison.Ordinal);
        var windows = Plan(Bell, "windows", null, ("bell", Icon));
        Assert.Equal((620, 300, "#173a45"), windows.Files.Where(f => f.Path == "windows/Assets/SplashScreen.scale-100.png").Select(f => (f.Width, f.Height, f.Ground)).Single());
        Assert.Equal(["16", "24", "256", "32", "48"], windows.Files.Where(f => f.Path.Contains(".targetsize-", StringComparison.Ordinal) && !f.Path.Contains("altform", StringComparison.Ordinal))
            .Select(f => f.Path.Split("targetsize-")[1][..^4]).Order(StringComparer.Ordinal));
        // The wide logo shows the icon whole, in its middle.
        var wide = windows.Files.Single(f => f.Path == "windows/Assets/Wide310x150Logo.scale-100.png").Ask.Source;
        Assert.Equal((22, 22, 36), (Math.Round(wide.X + wide.Width / 2, 6), Math.Round(wide.Y + wide.Height / 2, 6), Math.Round(wide.Height, 6)));
        Assert.Equal(256, windows.Files.Single(f => f.Path == "windows/app.ico").Width);
        // Two of them would be one file.
        Assert.NotEmpty(Plan(Bell + "<path id='moon'/>", "web", null, ("bell", Icon), ("moon", Icon)).Blockers);
    }

    [Fact]
    public void Apple_keeps_shapes_as_shapes_and_tints_what_has_one_colour()
    {
        JsonElement Properties(string inside, string tags = "icon") => JsonDocument.Parse(Text(Plan(inside, "apple", null, ("bell", tags)), "apple/Assets.xcassets/bell.imageset/Contents.json")).RootElement.GetProperty("properties");
        var one = Properties(Bell);
        Assert.True(one.GetProperty("preserves-vector-representation").GetBoolean());
        // A template has no colour of its own, so only where somebody says that code gives it one.
        Assert.False(one.TryGetProperty("template-rendering-intent", out _));
        Assert.Equal("template", Properties(Bell, "icon tint").GetProperty("template-rendering-intent").GetString());
        Assert.False(Properties("<g id='bell'><path d='M0 0h1v1z' fill='red'/><path d='M0 0h1v1z' fill='blue'/></g>").TryGetProperty("template-rendering-intent", out _));
        Assert.Contains("public static let bell = \"bell\"\n", Text(Plan(Bell, "apple", null, ("bell", "icon")), "apple/Pictures.swift"), StringComparison.Ordinal);
    }

    [Fact]
    public void Comments_call_a_layer_as_people_do_and_not_as_a_program_counts()
    {
        Assert.Contains("/// bell on ", Text(Plan(Bell, "apple", null, ("bell", "icon")), "apple/Pictures.swift"), StringComparison.Ordinal);
        Assert.DoesNotContain("Group 41", Text(Plan(Bell.Replace("'bell'", "'Group 41'", StringComparison.Ordinal), "apple", null, ("Group 41", "icon")), "apple/Pictures.swift"), StringComparison.Ordinal);
    }

    private const string Two = Bell + "<path id='bell-dark' d='M10 10h5v9z'/>";

    [Theory]
    [InlineData("web", "twin:dark", "web/bell-dark.png web/bell.png")]
    [InlineData("web", "twin:pt-br", "web/bell-pt-br.png web/bell.png")]
    [InlineData("android", "twin:dark", "android/res/drawable-mdpi/bell.png android/res/drawable-night-mdpi/bell.png")]
    [InlineData("android", "twin:pt-br,dark,rtl", "android/res/drawable-mdpi/bell.png android/res/drawable-pt-rBR-ldrtl-night-mdpi/bell.png")]
    [InlineData("apple", "twin:dark", "apple/Assets.xcassets/bell.imageset/bell-dark.png apple/Assets.xcassets/bell.imageset/bell.png")]
    [InlineData("windows", "twin:dark,de", "windows/Assets/bell.lang-de_theme-dark_scale-100.png windows/Assets/bell.scale-100.png")]
    [InlineData("windows", "twin:rtl", "windows/Assets/bell.layoutdir-RTL_scale-100.png windows/Assets/bell.scale-100.png")]
    [InlineData("flutter", "twin:dark", "flutter/assets/bell.png flutter/assets/bell_dark.png")]
    public void A_twin_lies_where_the_platform_looks_for_it(string platform, string twin, string paths)
    {
        var pack = Plan(Bell + "<path id='bell' d='M10 10h5v9z'/>", platform, null, ("bell", "picture png -webp scale:1x"), ("bell#2", "picture png -webp scale:1x " + twin));
        Assert.Equal(paths, Paths(pack));
        Assert.Empty(pack.Blockers);
        Assert.DoesNotContain(pack.Findings, f => f.Check == "twins");
        // Without the word they are two pictures, and it is offered where the name says so.
        Assert.Equal("twin:dark", Plan(Two, platform, null, ("bell", "icon png"), ("bell-dark", "icon png")).Findings.Single(f => f.Check == "twins").Fix!.Tags);
    }

    [Fact]
    public void A_twin_is_named_in_the_lines_for_each_platform_and_a_whole_screen_may_be_one()
    {
        var web = Plan(Two, "web", null, ("bell", "icon"), ("bell-dark", "icon twin:dark"));
        Assert.Contains("<picture>\n  <source media=\"(prefers-color-scheme: dark)\" type=\"image/svg+xml\" srcset=\"bell-dark.svg\" width=\"24\" height=\"24\">\n  <img src=\"bell.svg\"", Text(web, "web/pictures.html"), StringComparison.Ordinal);
        Assert.Contains("@media (prefers-color-scheme: dark) {\n  .bell {\n", Text(web, "web/pictures.css"), StringComparison.Ordinal);
        var images = JsonDocument.Parse(Text(Plan(Two, "apple", null, ("bell", "icon"), ("bell-dark", "icon twin:de,rtl,dark")), "apple/Assets.xcassets/bell.imageset/Contents.json")).RootElement;
        var twin = images.GetProperty("images").EnumerateArray().Single(i => i.GetProperty("filename").GetString() == "bell-de-rtl-dark.svg");
        Assert.Equal(("dark", "de", "right-to-left"), (twin.GetProperty("appearances")[0].GetProperty("value").GetString(), twin.GetProperty("locale").GetString(), twin.GetProperty("language-direction").GetString()));
        Assert.True(images.GetProperty("properties").GetProperty("localizable").GetBoolean());
        Assert.Equal("left-to-right", images.GetProperty("images").EnumerateArray().First().GetProperty("language-direction").GetString());
        // One name in code for all forms.
        Assert.Single(Identifier().Matches(Text(Plan(Two, "android", null, ("bell", "icon"), ("bell-dark", "icon twin:dark")), "android/Pictures.kt")));
        // A screen that is a twin makes twins of all that lies in it.
        const string Screens = "<svg id='Tonight' width='50' height='90'><path id='bell' d='M10 10h9v9z'/></svg><svg id='Tonight dark' x='60' width='50' height='90'><path id='bell' d='M10 10h5v9z'/></svg>";
        Assert.Equal("web/bell-dark.svg web/bell.svg", Paths(Plan(Screens, "web", null, ("bell", "icon"), ("bell#2", "icon"), ("Tonight dark", "twin:dark -png"))));
    }

    [Fact]
    public void An_icon_of_the_app_has_its_dark_and_its_tinted_form()
    {
        var icons = Two + "<path id='bell-tinted' d='M10 10h4v9z'/>";
        (string, string)[] said = [("bell", "app-icon"), ("bell-dark", "app-icon twin:dark"), ("bell-tinted", "app-icon twin:tinted")];
        var apple = Plan(icons, "apple", null, said);
        var images = JsonDocument.Parse(Text(apple, "apple/Assets.xcassets/AppIcon.appiconset/Contents.json")).RootElement.GetProperty("images").EnumerateArray().ToList();
        Assert.Equal(["AppIcon.png", "AppIcon-dark.png dark", "AppIcon-tinted.png tinted"],
            images.Select(i => i.GetProperty("filename").GetString() + (i.TryGetProperty("appearances", out var a) ? " " + a[0].GetProperty("value").GetString() : "")));
        Assert.Null(apple.Files.Single(f => f.FileName == "AppIcon-dark.png").Ground);
        var android = Plan(icons, "android", null, said);
        Assert.Contains("android:drawable=\"@mipmap/ic_launcher_monochrome\"", Text(android, "android/res/mipmap-anydpi-v26/ic_launcher.xml"), StringComparison.Ordinal);
        Assert.Contains("android/res/mipmap-night-hdpi/ic_launcher.png", Paths(android), StringComparison.Ordinal);
        Assert.Contains("windows/Assets/Square44x44Logo.targetsize-16_altform-unplated.png", Paths(Plan(icons, "windows", null, said)), StringComparison.Ordinal);
        Assert.Empty(apple.Blockers.Concat(android.Blockers));
    }

    [Fact]
    public void What_is_said_of_names_and_code_holds_on_every_platform()
    {
        var book = RecipeBook.Usual with { Code = new("Art", "org.larkrise", "Larkrise.Visits", true) };
        Assert.StartsWith("web/ic-bell-x.svg", Paths(Plan(Bell, "web", null, ("bell", "icon prefix:ic suffix:x"))), StringComparison.Ordinal);
        Assert.Contains("package org.larkrise\n", Text(Plan(Bell, "android", book, ("bell", "icon")), "android/Art.kt"), StringComparison.Ordinal);
        Assert.Contains("\"pack://application:,,,/Assets/bell.scale-200.png\"", Text(Plan(Bell, "windows", book, ("bell", "icon")), "windows/Art.cs"), StringComparison.Ordinal);
        Assert.Equal(book, RecipeBookJson.Read(RecipeBookJson.Write(book)));
        Assert.Throws<FormatException>(() => RecipeBookJson.Read(RecipeBookJson.Write(book with { Code = book.Code with { ClassName = "art; drop" } })));
        // One colour, and the other direction.
        var css = Text(Plan(Bell, "web", null, ("bell", "icon tint mirror alt:Ring_the_bell")), "web/pictures.css");
        Assert.Contains("background: currentcolor;\n  mask: url(\"bell.svg\")", css, StringComparison.Ordinal);
        Assert.Contains("[dir=\"rtl\"] .bell {\n  transform: scaleX(-1);", css, StringComparison.Ordinal);
        Assert.Contains("alt=\"Ring the bell\"", Text(Plan(Bell, "web", null, ("bell", "icon alt:Ring_the_bell")), "web/pictures.html"), StringComparison.Ordinal);
        Assert.Contains("alt=\"\"", Text(Plan(Bell, "web", null, ("bell", "icon decorative")), "web/pictures.html"), StringComparison.Ordinal);
        // Scales of a format's own hold beside those of all.
        Assert.Equal("web/bell.jpg web/bell.png web/bell@2x.png", Paths(Plan(Bell, "web", null, ("bell", "picture png scale:1x,2x jpeg:60@1x"))));
        // Just what is said, as plain files, for whatever is packed; two of them at one path are told as anywhere.
        Assert.Equal("folders/bell.png", Paths(Plan(Bell, "web", null, ("bell", "icon only png@1x"))));
        Assert.NotEmpty(Plan(Bell + "<path id='Bell' d='M10 10h5v9z'/>", "web", null, ("bell", "icon only png@1x"), ("Bell", "icon only png@1x")).Blockers);
        // Where folders do not keep names apart, the folder goes into the name.
        var blocker = Plan("<g id='nav'><path id='bell' d='M10 10h9v9z'/></g><g id='top'><path id='bell' d='M10 10h5v9z'/></g>", "android", null, ("bell", "icon"), ("bell#2", "icon")).Blockers.Single();
        Assert.Equal("top-bell", blocker.Fix!.ShipName);
    }

    [Fact]
    public void Androids_selector_takes_the_name_and_names_every_state_the_normal_one_last()
    {
        var pack = Plan("<g id='buttons'><rect id='book' width='9' height='9'/><rect id='book hover' width='9' height='9'/><rect id='book disabled' width='9' height='9'/></g>",
            "android", null, ("book", "button state:normal"), ("book hover", "button"), ("book disabled", "button"));
        Assert.Empty(pack.Blockers);
        var items = XDocument.Parse(Text(pack, "android/res/drawable/book.xml")).Root!.Elements("item").Select(i => string.Join(' ', i.Attributes().Select(a => $"{a.Name.LocalName}={a.Value}"))).ToList();
        Assert.Equal(["drawable=@drawable/book_disabled state_enabled=false", "drawable=@drawable/book_hover state_hovered=true", "drawable=@drawable/book_normal"], items);
        Assert.All(pack.Files, f => Assert.NotEqual("book.png", f.FileName));
        Assert.Contains("val bookHover: Int get() = R.drawable.book_hover", Text(pack, "android/Pictures.kt"), StringComparison.Ordinal);
    }

    [Fact]
    public void A_file_of_a_size_of_its_own_has_a_name_of_its_own_in_code()
    {
        var kotlin = Text(Plan(Bell, "android", null, ("bell", "picture scale:2x wide:480")), "android/Pictures.kt");
        Assert.Contains("val bell: Int get() = R.drawable.bell\n", kotlin, StringComparison.Ordinal);
        Assert.Contains("val bell480w: Int get() = R.drawable.bell_480w", kotlin, StringComparison.Ordinal);
        var swift = Text(Plan(Bell, "apple", null, ("bell", "picture scale:2x wide:480")), "apple/Pictures.swift");
        Assert.Contains("= \"bell\"", swift, StringComparison.Ordinal);
        Assert.Contains("= \"bell-480w\"", swift, StringComparison.Ordinal);
        // Each width has a set of its own, whose entry is a file of its own in any delivery.
        var sets = Plan(Bell, "apple", null, ("bell", "picture wide:120,240"));
        var identities = FileIdentity.Of(sets.Files, _ => 1);
        var sides = sets.SideFiles.Select(s => FileIdentity.OfSide(s.Path, sets.Files, identities)).ToList();
        Assert.Equal(sides.Distinct(), sides);
    }

    [Theory]
    [InlineData("web", "picture wide:480", "bell-480w", true)]
    [InlineData("web", "picture wide:480", "bell-480h", false)]
    [InlineData("android", "picture wide:480", "bell_480w", true)]
    [InlineData("apple", "picture tall:64", "Bell-64h", true)]
    [InlineData("windows", "picture scale:2x", "bell.scale-200", false)]
    public void A_layer_called_like_a_file_of_another_is_told_and_the_name_offered_settles_it(string platform, string tags, string name, bool isTold)
    {
        Pack With(string other) => Plan($"{Bell}<path id='{other}' d='M10 10h5v9z'/>", platform, null, ("bell", tags), (other, tags.Contains("scale", StringComparison.Ordinal) ? tags : "picture scale:1x,2x"));
        var blockers = With(name).Blockers.ToList();
        Assert.Equal(isTold ? 1 : 0, blockers.Count);
        if (isTold)
        {
            Assert.Empty(With(blockers[0].Fix!.ShipName!).Blockers);
        }
    }

    [Fact]
    public void What_android_cannot_draw_of_vectors_ships_in_densities_with_the_reason()
    {
        var pack = Plan("<defs><mask id='m'/></defs><path id='bell' d='M0 0h1v1z' mask='url(#m)'/>", "android", null, ("bell", "icon"));
        Assert.Equal(6, pack.Files.Length);
        Assert.All(pack.Files, f => Assert.EndsWith(".png", f.Path, StringComparison.Ordinal));
        Assert.Contains("it has a mask", Assert.Single(pack.Findings, f => f.Check == "not-as-a-vector").Sentence, StringComparison.Ordinal);
    }

    [Fact]
    public void A_stretching_button_is_a_nine_patch_without_its_label_on_android()
    {
        const string Button = "<g id='book'><rect x='10' y='10' width='24' height='24' rx='4'/><text x='16' y='24'>Book</text></g>";
        var found = Plan(Button, "android", null, ("book", "button stretch"));
        Assert.Equal("android/res/drawable-hdpi/book.9.png android/res/drawable-ldpi/book.9.png android/res/drawable-mdpi/book.9.png android/res/drawable-xhdpi/book.9.png android/res/drawable-xxhdpi/book.9.png android/res/drawable-xxxhdpi/book.9.png", Paths(found));
        Assert.All(found.Files, f => Assert.Null(f.Ask.Patch!.Kept));
        Assert.Contains("R.drawable.book", Text(found, "android/Pictures.kt"), StringComparison.Ordinal);
        // Said by hand, in points; lines never meet.
        var said = Plan(Button, "android", null, ("book", "button stretch:4,6 scale:1x,2x"));
        Assert.Equal(["8,12,8,12", "4,6,4,6"], said.Files.OrderByDescending(f => f.Width).Select(f => $"{f.Ask.Patch!.Kept}"));
        Assert.Equal("11,11,11,11", $"{Plan(Button, "android", null, ("book", "button stretch:90 scale:1x")).Files.Single().Ask.Patch!.Kept}");
        Assert.NotEqual(said.Files[0].Key, Plan(Button, "android", null, ("book", "button stretch:5 scale:1x,2x")).Files[0].Key);
        // Its label is not part of it anywhere, and the plain picture has it.
        var design = Svg.Design(Button, Shape, ("book", new Mark(Decision.Ship, null, Tags.Parse("button stretch"))));
        var layer = design.Layers.First(l => l.Name == "book");
        Assert.Equal(["Book"], design.Isolate(layer).Without.Select(o => design.Layers[o].Name));
        Assert.Empty((design with { Marks = new Dictionary<int, Mark> { [layer.Ordinal] = new(Decision.Ship, null, Tags.Parse("button")) } }).Isolate(layer).Without);
        Assert.Equal(found.Files[0].Ask.Patch, NinePatch.Parse($"{found.Files[0].Ask.Patch}"));
        Assert.DoesNotContain(".9.", Paths(Plan(Button, "web", null, ("book", "button stretch"))), StringComparison.Ordinal);
    }

    [Fact]
    public void Windows_and_flutter_get_their_folders_and_lines()
    {
        var windows = Plan(Bell, "windows", null, ("bell", "icon"));
        Assert.Equal("windows/Assets/bell.scale-100.png windows/Assets/bell.scale-125.png windows/Assets/bell.scale-150.png windows/Assets/bell.scale-200.png windows/Assets/bell.scale-400.png", Paths(windows));
        Assert.Contains("public const string Bell = \"ms-appx:///Assets/bell.png\";", Text(windows, "windows/Pictures.cs"), StringComparison.Ordinal);
        var flutter = Plan(Bell, "flutter", null, ("bell", "icon to:nav"));
        Assert.Equal("flutter/assets/nav/2.0x/bell.png flutter/assets/nav/3.0x/bell.png flutter/assets/nav/bell.png", Paths(flutter));
        Assert.Equal("flutter:\n  assets:\n    - assets/nav/bell.png\n", Text(flutter, "flutter/pubspec-assets.yaml"));
        Assert.Matches(@"static const bell = Asset\w+\('\w+/nav/bell\.png'\);", Text(flutter, "flutter/lib/pictures.dart"));
    }

    [Theory]
    [InlineData("no", "files-no")]
    [InlineData("art/de-DE", "art/files-de-DE")]
    [InlineData("zh-Hans", "files-zh-Hans")]
    [InlineData("Scale-2", "files-Scale-2")]
    [InlineData("nav/de-icons", null)]
    [InlineData("scale", null)]
    public void Folders_that_windows_takes_for_something_else_are_refused_there_and_the_fix_settles_it(string folder, string? offered)
    {
        Finding? Refused(string platform, string tags) => Plan(Bell, platform, null, ("bell", $"icon {tags}")).Findings.FirstOrDefault(f => f.Check == "folder-refused");
        var finding = Refused("windows", $"to:{folder}");
        Assert.Equal(offered, finding?.Fix!.Tags![3..]);
        Assert.Null(Refused("web", $"to:{folder}"));
        Assert.Null(finding is null ? null : Refused("windows", finding.Fix!.Tags!));
        // Where nothing is made there, nothing is in the way.
        Assert.Null(Refused("windows", $"to:{folder} only pdf"));
    }

    [Fact]
    public void A_drawing_keeps_its_pictures_beside_it_where_that_is_asked_and_a_file_may_name_another()
    {
        static string Png(int width, int height) => "data:image/png;base64," + Convert.ToBase64String([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52, 0, 0, 0, (byte)width, 0, 0, 0, (byte)height, 8, 6, 0, 0, 0]);
        var card = $"<g id='card'><image width='9' height='9' href='{Png(40, 30)}'/><image x='9' width='9' height='9' href='{Png(20, 20)}'/><image y='9' width='9' height='9' href='{Png(40, 30)}'/></g>";
        var web = Plan(card, "web", null, ("card", "logo svg:linked to:art"));
        // What stands there twice is one file.
        Assert.Equal("web/art/card-1.png web/art/card-2.png web/art/card.svg", Paths(web));
        Assert.Equal([(40, 30), (20, 20)], web.Files.Where(f => f.IsLinked).Select(f => (f.Width, f.Height)));
        Assert.Equal(["card-1.png", "card-2.png"], web.Files[2].Ask.Links);
        var drawing = Svg.Read(card);
        var isolation = Isolation.Of(drawing, drawing.Layer("card"));
        var hrefs = XDocument.Parse(SvgExport.Of(ExportTree.Of(isolation, web.Files[2].Ask.Links), new(0, 0, 24, 24), 24, 24)).Descendants().Where(e => e.Name.LocalName == "image").Select(e => (string?)e.Attribute("href"));
        Assert.Equal(["card-1.png", "card-2.png", "card-1.png"], hrefs);
        Assert.Equal(40, isolation.Pictures[0].Bytes()[19]);
        // A picture on a page loads nothing, so the lines show it otherwise, and no style names it.
        Assert.Contains("<object type=\"image/svg+xml\" data=\"art/card.svg\"", Text(web, "web/pictures.html"), StringComparison.Ordinal);
        Assert.DoesNotContain("card-1", Text(web, "web/pictures.html") + Text(web, "web/pictures.ts"), StringComparison.Ordinal);
        Assert.DoesNotContain("card", Text(web, "web/pictures.css"), StringComparison.Ordinal);
        Assert.Contains("<img src=\"card.png\"", Text(Plan(card, "web", null, ("card", "logo svg:linked png scale:1x")), "web/pictures.html"), StringComparison.Ordinal);
        // Other names are other files; the pictures themselves stay what they are.
        var other = Plan(card, "web", null, ("card", "logo svg:linked suffix:dark to:art"));
        Assert.NotEqual(web.Files[2].Key, other.Files[2].Key);
        Assert.Equal(web.Files[0].Key, other.Files[0].Key);
        // Where one file is one picture they are embedded, as in a drawing that has none.
        var apple = Plan(card, "apple", null, ("card", "logo svg:linked"));
        Assert.Equal("apple/Assets.xcassets/card.imageset/card.svg svg", $"{Paths(apple)} {apple.Files[0].Ask.Format}");
        Assert.Equal("svg", Plan(Bell, "web", null, ("bell", "icon svg:linked")).Files.Single().Ask.Format.ToString());
    }

    [Theory]
    [InlineData(false, false, "@{}", "folders/to/bell.webp folders/to/bell@2x.webp")]
    [InlineData(true, false, "@{}", "folders/1x/to/bell.webp folders/2x/to/bell.webp")]
    [InlineData(true, true, "@{}", "folders/webp/1x/to/bell.webp folders/webp/2x/to/bell.webp")]
    [InlineData(false, false, "_{}", "folders/to/bell.webp folders/to/bell_2x.webp")]
    public void Plain_folders_are_laid_out_as_the_team_says(bool byScale, bool byFormat, string suffix, string paths) => Assert.Equal(paths,
        Paths(Plan(Bell, "folders", RecipeBook.Usual with { Layout = new(byScale, byFormat, suffix) }, ("bell", "picture -png webp scale:1x,2x to:to"))));

    [Fact]
    public void A_platform_that_takes_none_of_the_formats_is_told()
    {
        var finding = Assert.Single(Plan(Bell, "android", null, ("bell", "picture -webp svg")).Findings, f => f.Check == "nothing-made");
        Assert.Contains("Android gets no file of “bell”", finding.Sentence, StringComparison.Ordinal);
        Assert.DoesNotContain(Plan(Bell, "android", null, ("bell", "picture -webp svg " + finding.Fix!.Tags)).Findings, f => f.Check == "nothing-made");
    }

    [Fact]
    public void Names_for_code_are_legal_and_unique_whatever_the_layers_are_called() => Gen.Select(Gen.String[Gen.Char["aAbB-_ 1éø世"], 1, 6].Array[1, 6], Gen.Int[0, 4]).Sample((names, at) =>
    {
        var platform = AllPlatforms.List.Where(p => p.Id is not ("page" or "folders")).ElementAt(at);
        var inside = string.Concat(names.Select((n, i) => $"<g id='f{i}'><path id='layer{i}'/></g>"));
        var design = Svg.Design(inside, Shape, [.. names.Select((n, i) => ($"layer{i}", new Mark(Decision.Ship, n, Tags.Parse("picture png -webp"))))]);
        var pack = new PackPlanner(new("e"), _ => new Look(Shape, null)).Plan([design], [platform]);
        if (pack.Files.IsEmpty)
        {
            return;
        }
        var code = pack.SideFiles.Single(f => f.Path.EndsWith(".ts", StringComparison.Ordinal) || f.Path.EndsWith(".swift", StringComparison.Ordinal) || f.Path.EndsWith(".kt", StringComparison.Ordinal)
            || f.Path.EndsWith(".cs", StringComparison.Ordinal) || f.Path.EndsWith(".dart", StringComparison.Ordinal)).Text;
        // Each file names its pictures in one place; what comes behind says them again.
        var identifiers = Identifier().Matches(code.Split("Paths {")[0]).Select(m => m.Groups[1].Value).ToList();
        Assert.Equal(identifiers.Count, identifiers.Distinct().Count());
        Assert.NotEmpty(identifiers);
    }, iter: 200);

    [GeneratedRegex("""(?:src="|srcset="|, |url\("|URL\("\./)([\w/@.-]+\.(?:png|jpg|webp|avif|svg))""")]
    private static partial Regex SrcNames();

    [GeneratedRegex("(?m)^(?:        public const string|    val|    public static let|  static const|export const) ([A-Za-z_][A-Za-z0-9_]*)(?: =|: Int|: Picture)")]
    private static partial Regex Identifier();
}
