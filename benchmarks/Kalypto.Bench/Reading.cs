using System.Globalization;
using System.Text;
using System.Xml;
using Kalypto.Core.Reading;

namespace Kalypto.Bench;

/// <summary>Reading a drawing of 5,000 layers and 5 MB, against XmlReader alone.</summary>
internal static class Reading
{
    public static void Run()
    {
        var file = File();
        var (ours, xml) = Report.Medians(7, () => SvgReader.Read(file, "Drawing"), () =>
        {
            using var reader = XmlReader.Create(new MemoryStream(file));
            while (reader.Read())
            {
                for (var more = reader.MoveToFirstAttribute(); more; more = reader.MoveToNextAttribute())
                {
                    _ = reader.Value;
                }
            }
        });
        Report.Line($"reading 5,000 layers, {file.Length / 1e6:0.0} MB / XmlReader alone", Report.Text(ours / xml), "< 3", ours / xml < 3);
    }

    /// <summary>Groups of one path each, with classes, styles and gradients.</summary>
    public static byte[] File()
    {
        var random = new Random(1);
        var text = new StringBuilder("<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 1440 4000'><style>.a{fill:#123}.b{stroke:red;fill:none}</style>");
        for (var i = 0; i < 2500; i++)
        {
            text.Append(CultureInfo.InvariantCulture, $"<g data-name='icon {i}' transform='translate({random.Next(1400)} {random.Next(3900)})'><path class='{(i % 2 == 0 ? 'a' : 'b')}' style='opacity:.9' d='M0 0");
            for (var p = 0; p < 150; p++)
            {
                text.Append(CultureInfo.InvariantCulture, $"L{random.NextDouble() * 24:0.00} {random.NextDouble() * 24:0.00}");
            }
            text.Append("'/></g>");
        }
        return Encoding.UTF8.GetBytes(text.Append("</svg>").ToString());
    }
}
