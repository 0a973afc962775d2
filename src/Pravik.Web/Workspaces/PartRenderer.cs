using System.Security.Cryptography;
using System.Text;
using Microsoft.AspNetCore.Mvc;
using Microsoft.AspNetCore.Mvc.ModelBinding;
using Microsoft.AspNetCore.Mvc.Razor;
using Microsoft.AspNetCore.Mvc.Rendering;
using Microsoft.AspNetCore.Mvc.ViewFeatures;

namespace Pravik.Web.Workspaces;

/// <summary>A part of a page as HTML, and a hash by which a browser says that it has it.</summary>
public sealed record PagePart(string Hash, string Html);

/// <summary>Renders the parts of a page one by one, so that only those that changed need to be sent.</summary>
public sealed class PartRenderer(IRazorViewEngine engine, ITempDataDictionaryFactory temporary)
{
    private const int HashLength = 12;

    /// <summary>The part that the partial of this path makes of a model.</summary>
    public async Task<PagePart> RenderAsync<T>(ActionContext context, string path, T model)
    {
        var found = engine.GetView(null, path, isMainPage: false);
        found.EnsureSuccessful([]);
        await using var text = new StringWriter();
        var data = new ViewDataDictionary<T>(new EmptyModelMetadataProvider(), new ModelStateDictionary()) { Model = model };
        var view = new ViewContext(context, found.View, data, temporary.GetTempData(context.HttpContext), text, new HtmlHelperOptions());
        await found.View.RenderAsync(view);
        var html = text.ToString().Trim();
        return new(Convert.ToHexString(SHA256.HashData(Encoding.UTF8.GetBytes(html)))[..HashLength], html);
    }
}
