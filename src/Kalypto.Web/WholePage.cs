using System.Security.Cryptography;
using System.Text;

namespace Kalypto.Web;

/// <summary>The one script that lies in every page: it notices when the others did not come.</summary>
internal sealed class WholePage
{
    public WholePage(IWebHostEnvironment environment)
    {
        using var file = new StreamReader(environment.WebRootFileProvider.GetFileInfo("js/whole.js").CreateReadStream());
        Script = file.ReadToEnd().ReplaceLineEndings("\n");
        Source = $"'sha256-{Convert.ToBase64String(SHA256.HashData(Encoding.UTF8.GetBytes(Script)))}'";
    }

    /// <summary>The script, as it stands between its tags.</summary>
    public string Script { get; }

    /// <summary>How the content security policy names it: the hash of its text, https://www.w3.org/TR/CSP3/#grammardef-hash-source.</summary>
    public string Source { get; }
}
