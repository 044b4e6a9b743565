using Kalypto.Core.Designs;
using Kalypto.Core.Fonts;
using Kalypto.Core.Handover;

namespace Kalypto.Core.Tests.Handover;

public class DeviceDocumentTests
{
    [Fact]
    public void A_device_shows_files_where_they_are_put_and_says_what_it_cannot_show()
    {
        var document = DeviceDocument.Write("Tonight", 375, 812, [new("bell", new(327, 72, 18, 20)) { File = "/f?path=bell.svg" }, new("dome", new(0, 0, 10, 10.5))], []);
        Assert.Contains("<img alt=\"bell\" src=\"/f?path=bell.svg\" style=\"left: 327px; top: 72px; width: 18px; height: 20px\">", document, StringComparison.Ordinal);
        Assert.Contains("height: 10.5px\">dome: no file that a browser shows</div>", document, StringComparison.Ordinal);
        Assert.Contains("width: 375px; height: 812px", document, StringComparison.Ordinal);
    }

    [Theory]
    [InlineData("</title><script>alert(1)</script>")]
    [InlineData("\"onerror=\"alert(1)")]
    [InlineData("x\"); } </style><script>alert(1)</script>")]
    [InlineData("'&<>\"\\")]
    public void Whatever_layers_files_and_fonts_are_called_stays_text(string name)
    {
        var font = new Font { Sha256 = new('a', 64), FileName = name, Names = [name] };
        var document = DeviceDocument.Write(name, 10, 10, [new(name, new Box(0, 0, 1, 1)) { File = name }, new(name, new Box(0, 0, 1, 1))], [new(name, font, name)]);
        Assert.DoesNotContain("<script", document, StringComparison.Ordinal);
        Assert.DoesNotContain("\"onerror", document, StringComparison.Ordinal);
        Assert.Equal(1, document.Split("</style>").Length - 1);
        Assert.Equal(1, document.Split("</title>").Length - 1);
        Assert.Equal(2, document.Split("\"").Length % 2 + 1);
    }
}
